import type { LearnerLesson, LearnerQuestion } from '@semita/core/learner';
import type { Response } from '@semita/core/question';
import { lazy, Suspense } from 'react';
import { t } from '../../words/words.ts';
import { ChoiceField } from './choice-field.tsx';
import { InlineChoiceField, TextEntryField } from './gap-fields.tsx';
import { HottextField } from './hottext-field.tsx';
import { NumberField } from './number-field.tsx';
import { hasMarks } from './rich-text.tsx';
import { ScaleField } from './scale-field.tsx';
import { WrittenField } from './written-field.tsx';

// What needs more than a few lines is loaded when a lesson asks for it.
const loadPlaceFields = () => import('./place-fields.tsx');
const loadPointFields = () => import('./point-fields.tsx');
const loadOrderField = () => import('./order-field.tsx');
const loadAssociateField = () => import('./associate-field.tsx');
const loadDrawingField = () => import('./drawing-field.tsx');
const loadFilesField = () => import('./files-field.tsx');
const loadRecordField = () => import('./record-field.tsx');

const GapMatchField = lazy(async () => ({ default: (await loadPlaceFields()).GapMatchField }));
const MatchField = lazy(async () => ({ default: (await loadPlaceFields()).MatchField }));
const GraphicGapMatchField = lazy(async () => ({ default: (await loadPlaceFields()).GraphicGapMatchField }));
const HotspotField = lazy(async () => ({ default: (await loadPointFields()).HotspotField }));
const SelectPointField = lazy(async () => ({ default: (await loadPointFields()).SelectPointField }));
const OrderField = lazy(async () => ({ default: (await loadOrderField()).OrderField }));
const AssociateField = lazy(async () => ({ default: (await loadAssociateField()).AssociateField }));
const DrawingField = lazy(async () => ({ default: (await loadDrawingField()).DrawingField }));
const FilesField = lazy(async () => ({ default: (await loadFilesField()).FilesField }));
const RecordField = lazy(async () => ({ default: (await loadRecordField()).RecordField }));

const loaderOf: Partial<Record<LearnerQuestion['kind'], () => Promise<unknown>>> = {
  gapMatch: loadPlaceFields,
  match: loadPlaceFields,
  graphicGapMatch: loadPlaceFields,
  hotspot: loadPointFields,
  selectPoint: loadPointFields,
  order: loadOrderField,
  associate: loadAssociateField,
  drawing: loadDrawingField,
  upload: loadFilesField,
  record: loadRecordField,
};

/** Fetches what the questions of a lesson will need, so that they can be answered when the connection has gone. */
export async function loadFieldsOf(lesson: LearnerLesson): Promise<void> {
  const questions = lesson.parts
    .flatMap((part) => part.stops)
    .flatMap((stop) => (stop.kind === 'checkpoint' ? stop.questions : []));
  const loads = new Set(questions.flatMap(({ kind }) => loaderOf[kind] ?? []));
  if (questions.some(({ stem }) => hasMarks(stem))) loads.add(() => import('./marked-text.tsx'));
  // A device without a connection shows what it has; the field says what is wrong when it is opened.
  await Promise.allSettled([...loads].map((load) => load()));
}

interface Props {
  readonly question: LearnerQuestion;
  readonly response: Response | undefined;
  readonly onChange: (response: Response) => void;
  readonly labelledBy: string;
}

/** Where a question is answered, whatever its kind. */
export function QuestionField(props: Props) {
  return (
    <Suspense fallback={<p className="text-quiet">{t('app.loading')}</p>}>
      <FieldOfKind {...props} />
    </Suspense>
  );
}

function FieldOfKind({ question, ...rest }: Props) {
  switch (question.kind) {
    case 'choice':
    case 'poll':
      return <ChoiceField question={question} {...rest} />;
    case 'inlineChoice':
      return <InlineChoiceField question={question} {...rest} />;
    case 'textEntry':
      return <TextEntryField question={question} {...rest} />;
    case 'gapMatch':
      return <GapMatchField question={question} {...rest} />;
    case 'numeric':
      return <NumberField question={question} {...rest} />;
    case 'order':
      return <OrderField question={question} {...rest} />;
    case 'match':
      return <MatchField question={question} {...rest} />;
    case 'associate':
      return <AssociateField question={question} {...rest} />;
    case 'hottext':
      return <HottextField question={question} {...rest} />;
    case 'hotspot':
      return <HotspotField question={question} {...rest} />;
    case 'selectPoint':
      return <SelectPointField question={question} {...rest} />;
    case 'graphicGapMatch':
      return <GraphicGapMatchField question={question} {...rest} />;
    case 'slider':
      return <ScaleField question={question} {...rest} />;
    case 'extendedText':
    case 'discussion':
      return <WrittenField question={question} {...rest} />;
    case 'drawing':
      return <DrawingField question={question} {...rest} />;
    case 'upload':
      return <FilesField question={question} {...rest} />;
    case 'record':
      return <RecordField question={question} {...rest} />;
    case 'sealed':
      return null;
  }
}

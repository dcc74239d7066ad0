import type { Question } from '@semita/core/question';
import { t } from '../../words/words.ts';
import { GraphicGapMatchEditor, HotspotEditor, SelectPointEditor } from './area-editor.tsx';
import { GapEditor } from './gap-editor.tsx';
import { HottextEditor } from './hottext-editor.tsx';
import { AssociateEditor, MatchEditor, OrderEditor } from './list-editors.tsx';
import { NumberEditor } from './number-editor.tsx';
import { OptionsEditor, PollEditor } from './options-editor.tsx';
import { DrawingEditor, RecordEditor, ScaleEditor, UploadEditor, WrittenEditor } from './small-editors.tsx';
import './words.ts';

interface Props {
  readonly question: Question;
  readonly onChange: (question: Question) => void;
}

/** What is special about a question of its kind, edited. */
export function EditorOfKind({ question, onChange }: Props) {
  switch (question.kind) {
    case 'choice':
      return <OptionsEditor {...{ question, onChange }} />;
    case 'poll':
      return <PollEditor {...{ question, onChange }} />;
    case 'inlineChoice':
    case 'gapMatch':
    case 'textEntry':
      return <GapEditor {...{ question, onChange }} />;
    case 'numeric':
      return <NumberEditor {...{ question, onChange }} />;
    case 'order':
      return <OrderEditor {...{ question, onChange }} />;
    case 'match':
      return <MatchEditor {...{ question, onChange }} />;
    case 'associate':
      return <AssociateEditor {...{ question, onChange }} />;
    case 'hottext':
      return <HottextEditor {...{ question, onChange }} />;
    case 'hotspot':
      return <HotspotEditor {...{ question, onChange }} />;
    case 'selectPoint':
      return <SelectPointEditor {...{ question, onChange }} />;
    case 'graphicGapMatch':
      return <GraphicGapMatchEditor {...{ question, onChange }} />;
    case 'slider':
      return <ScaleEditor {...{ question, onChange }} />;
    case 'extendedText':
      return <WrittenEditor {...{ question, onChange }} />;
    case 'drawing':
      return <DrawingEditor {...{ question, onChange }} />;
    case 'upload':
      return <UploadEditor {...{ question, onChange }} />;
    case 'record':
      return <RecordEditor {...{ question, onChange }} />;
    case 'discussion':
      return <p className="text-14 text-quiet">{t('editor.discussionHelp')}</p>;
  }
}

import type { LessonPicture } from '@semita/core/elements';
import { type Drawing, drawingWidth, type Question, type Response } from '@semita/core/question';
import { PenLine } from 'lucide-react';
import { type ReactNode, useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { t } from '../../words/words.ts';
import { DrawingGround } from '../drawing/drawing-ground.tsx';
import { DrawingPad } from '../drawing/drawing-pad.tsx';
import { DrawingMarks } from '../drawing/drawing-view.tsx';
import { useAnswerFiles } from '../question/answer-files.ts';
import { FileGround } from '../question/file-ground.tsx';
import './words.ts';

interface Props {
  readonly question: Question;
  readonly response: Response;
  readonly drawn: Readonly<Record<string, Drawing>>;
  readonly onChange: (drawn: Readonly<Record<string, Drawing>>) => void;
}

/** A teacher's pen on what a student drew, or on pictures they handed in. */
export function PenMarks({ question, response, drawn, onChange }: Props) {
  const { addressOf } = useAnswerFiles();
  if (question.kind === 'drawing' && response.kind === 'drawing')
    return (
      <PenButton
        label={t('marking.drawOn')}
        marks={drawn.drawing}
        onChange={(drawing) => onChange({ ...drawn, drawing })}
        ground={(surface) => (
          <Ground question={question} drawing={response.drawing}>
            {surface}
          </Ground>
        )}
      />
    );
  if (response.kind !== 'files') return null;
  return response.files
    .filter(({ mimeType }) => mimeType.startsWith('image/'))
    .map((file) => (
      <PenButton
        key={file.fileId}
        label={t('marking.drawOnFile', { name: file.name })}
        marks={drawn[file.fileId]}
        onChange={(marks) => onChange({ ...drawn, [file.fileId]: marks })}
        ground={(surface) => (
          <FileGround address={addressOf(file.fileId)} alt={file.name}>
            {surface}
          </FileGround>
        )}
      />
    ));
}

function Ground({
  question,
  drawing,
  children,
}: {
  readonly question: {
    readonly ground: 'blank' | 'grid' | 'axes' | 'picture';
    readonly picture?: LessonPicture | undefined;
  };
  readonly drawing: Drawing;
  readonly children: (height: number) => ReactNode;
}) {
  return (
    <DrawingGround ground={question.ground} picture={question.picture}>
      {(height) => (
        <>
          <svg viewBox={`0 0 ${drawingWidth} ${height}`} aria-hidden="true" className="absolute inset-0 size-full">
            <DrawingMarks drawing={drawing} />
          </svg>
          {children(height)}
        </>
      )}
    </DrawingGround>
  );
}

interface ButtonProps {
  readonly label: string;
  readonly marks: Drawing | undefined;
  readonly onChange: (marks: Drawing) => void;
  readonly ground: (surface: (height: number) => ReactNode) => ReactNode;
}

function PenButton({ label, marks, onChange, ground }: ButtonProps) {
  const [isOpen, setIsOpen] = useState(false);
  return (
    <>
      <Button look="quiet" size="small" onClick={() => setIsOpen(true)}>
        <PenLine aria-hidden className="size-4" strokeWidth={1.75} />
        {label}
      </Button>
      <Dialog open={isOpen} keepsAtOnce onOpenChange={setIsOpen} place="wide" title={label}>
        <DrawingPad label={label} drawing={marks ?? { marks: [] }} onChange={onChange} ground={ground} colour="brick" />
        <div className="pt-3">
          <Button look="main" onClick={() => setIsOpen(false)}>
            {t('marking.drawn')}
          </Button>
        </div>
      </Dialog>
    </>
  );
}

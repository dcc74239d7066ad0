import { lazy, Suspense } from 'react';
import { joinClasses } from '../../ui/join-classes.ts';

/** Loaded when words have marks in them; most have none. */
const MarkedText = lazy(async () => ({ default: (await import('./marked-text.tsx')).MarkedText }));

/** Something CommonMark or a formula would make more of than plain words. */
const marks = /[*_`$[\]\\<>|]|^\s{0,3}(?:#|[-+]\s|\d+[.)]\s|>)/mu;

export const hasMarks = (text: string) => marks.test(text);

/** Words as their teacher wrote them: plain, or with CommonMark and formulas between dollar signs. */
export function RichText({ text, className }: { readonly text: string; readonly className?: string }) {
  const plain = <span className="whitespace-pre-wrap">{text}</span>;
  if (!hasMarks(text)) return <div className={className}>{plain}</div>;
  return (
    <div className={joinClasses('marked-text', className)}>
      <Suspense fallback={plain}>
        <MarkedText text={text} />
      </Suspense>
    </div>
  );
}

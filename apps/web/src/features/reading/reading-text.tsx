import type { Inset } from '@semita/core/lesson';
import type { ReadingBlock } from '@semita/core/reading';
import { Fragment, memo, type Ref, useEffect, useRef } from 'react';
import { joinClasses } from '../../ui/join-classes.ts';
import { InsetView } from './inset-view.tsx';
import { markPhrases } from './mark-phrases.ts';

interface Props {
  readonly ref?: Ref<HTMLDivElement>;
  readonly blocks: readonly ReadingBlock[];
  /** The block that is pointed out. */
  readonly currentId?: string | null;
  /** Words that stops stand at, by block. */
  readonly phrases?: ReadonlyMap<string, readonly string[]>;
  /** Films and sounds between the blocks. */
  readonly insets?: readonly Inset[] | undefined;
}

const none: readonly Inset[] = [];

/** A text, block by block. Every block carries its id, so that whoever watches what is in sight can tell. */
export const ReadingText = memo(function ReadingText({ ref, blocks, currentId = null, phrases, insets = none }: Props) {
  const root = useRef<HTMLDivElement>(null);
  useEffect(() => (root.current && phrases ? markPhrases(root.current, phrases) : undefined), [phrases]);
  return (
    <div
      ref={(element) => {
        root.current = element;
        if (typeof ref === 'function') ref(element);
        else if (ref) ref.current = element;
      }}
      className="reading"
    >
      {insetsBehind(insets, null)}
      {blocks.map(({ id, html }) => (
        <Fragment key={id}>
          <Block id={id} html={html} isCurrent={id === currentId} />
          {insetsBehind(insets, id)}
        </Fragment>
      ))}
    </div>
  );
});

interface BlockProps {
  readonly id: string;
  readonly html: string;
  readonly isCurrent: boolean;
}

/** Drawn once: a long text has thousands. */
const Block = memo(function Block({ id, html, isCurrent }: BlockProps) {
  return (
    <div
      data-block={id}
      className={joinClasses('reading-block', isCurrent && 'reading-current')}
      // biome-ignore lint/security/noDangerouslySetInnerHtml: cleaned by the server's one sanitiser when it was brought in
      dangerouslySetInnerHTML={{ __html: html }}
    />
  );
});

const insetsBehind = (insets: readonly Inset[], blockId: string | null) =>
  insets.filter((inset) => inset.anchor.blockId === blockId).map((inset) => <InsetView key={inset.id} inset={inset} />);

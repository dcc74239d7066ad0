import type { Inset, ReadingBlock } from '@semita/core';
import { Fragment, type Ref, useEffect, useRef } from 'react';
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

/** A text, block by block. Every block carries its id, so that whoever watches what is in sight can tell. */
export function ReadingText({ ref, blocks, currentId = null, phrases, insets = [] }: Props) {
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
          <div
            data-block={id}
            className={joinClasses('reading-block', id === currentId && 'reading-current')}
            // biome-ignore lint/security/noDangerouslySetInnerHtml: cleaned by the server's one sanitiser when it was brought in
            dangerouslySetInnerHTML={{ __html: html }}
          />
          {insetsBehind(insets, id)}
        </Fragment>
      ))}
    </div>
  );
}

const insetsBehind = (insets: readonly Inset[], blockId: string | null) =>
  insets.filter((inset) => inset.anchor.blockId === blockId).map((inset) => <InsetView key={inset.id} inset={inset} />);

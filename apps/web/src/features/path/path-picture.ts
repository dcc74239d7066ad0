import type { PathFaultCode } from '@semita/core/checks';
import type { Lesson } from '@semita/core/lesson';
import type { Way } from '@semita/core/path';

/** What a path shows, drawn as a map or told as a list. */
export interface PathPicture {
  readonly lesson: Lesson;
  /** With other lessons that it shows in their places. */
  readonly whole?: Lesson;
  readonly ways: readonly Way[];
  readonly faults: ReadonlyMap<string, readonly PathFaultCode[]>;
  readonly selectedId: string | null;
  /** Opens what there is to say of a part, or closes it. */
  readonly onSelect: (partId: string | null) => void;
  /** The ways of a route that is lit, and the parts on it. */
  readonly lit?: { readonly wayKeys: ReadonlySet<string>; readonly partIds: ReadonlySet<string> } | null;
  /** How many took each way, by its key; what is said of each part. */
  readonly taken?: ReadonlyMap<string, number>;
  readonly noteOf?: (partId: string) => string | null;
}

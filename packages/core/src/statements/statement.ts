/**
 * One statement of xAPI 1.0.3 (Experience API, part two, "Statements"; field names from memory of the published
 * specification), as far as this program writes them.
 */
export interface Statement {
  /** UUID. The same event makes the same one, so that sending again is harmless. */
  readonly id: string;
  readonly actor: Actor;
  readonly verb: { readonly id: string; readonly display: LanguageMap };
  readonly object: Activity;
  readonly result?: Result;
  readonly context: Context;
  /** ISO 8601. */
  readonly timestamp: string;
}

/** A pseudonym: who it is, only the school can tell. */
export interface Actor {
  readonly objectType: 'Agent';
  readonly account: { readonly homePage: string; readonly name: string };
}

export type LanguageMap = Readonly<Record<string, string>>;
export type Extensions = Readonly<Record<string, unknown>>;

export interface Activity {
  readonly objectType: 'Activity';
  readonly id: string;
  readonly definition: ActivityDefinition;
}

export interface ActivityDefinition {
  readonly type: string;
  readonly name: LanguageMap;
  readonly description?: LanguageMap;
  readonly interactionType?: InteractionType;
  readonly correctResponsesPattern?: readonly string[];
  readonly choices?: readonly Component[];
  readonly source?: readonly Component[];
  readonly target?: readonly Component[];
}

export interface Component {
  readonly id: string;
  readonly description: LanguageMap;
}

/** Of `cmi.interaction`, as SCORM 2004 has them; those that this program has questions for. */
export type InteractionType = 'choice' | 'fill-in' | 'long-fill-in' | 'matching' | 'sequencing' | 'numeric' | 'other';

export interface Result {
  readonly score?: { readonly scaled: number; readonly raw: number; readonly min: number; readonly max: number };
  readonly success?: boolean;
  readonly completion?: boolean;
  readonly response?: string;
  /** ISO 8601. */
  readonly duration?: string;
  readonly extensions?: Extensions;
}

export interface Context {
  /** UUID of the attempt. */
  readonly registration: string;
  readonly platform: string;
  readonly contextActivities: {
    readonly parent?: readonly Activity[];
    readonly grouping?: readonly Activity[];
    readonly category?: readonly { readonly objectType: 'Activity'; readonly id: string }[];
  };
  readonly extensions?: Extensions;
}

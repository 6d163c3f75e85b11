import type { FollowUp, TemplateBody } from '@ant-trail/core/sheet';

/** Where a demo reading normally lies, how much it scatters, and how it swings with the season. */
export interface Usual {
  readonly mean: number;
  readonly scatter: number;
  readonly season?: number;
}

export interface DemoTemplate {
  readonly key: string;
  readonly body: TemplateBody;
  readonly version: number;
  readonly usual: Readonly<Record<string, Usual>>;
  /** The template of the job that follows its sheets. */
  readonly leads?: Leads;
}

export interface Leads extends Pick<FollowUp, 'days' | 'only'> {
  readonly to: string;
}

/** One that stands ready for other kinds of work; no site of the demo has a history of it. */
export const starter = (key: string, body: TemplateBody, leads?: Leads): DemoTemplate => ({
  ...{ key, body, version: 1, usual: {} },
  ...(leads ? { leads } : {}),
});

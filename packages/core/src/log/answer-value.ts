/** What an answer can hold, over all kinds of question. */
export type AnswerValue =
  | string
  | number
  | boolean
  | readonly string[]
  | PhotoValue
  | FileValue
  | SignatureValue
  | HoldValue
  | SketchValue
  | AddressValue
  | SharesValue
  | CodeValue
  | LookupValue
  | MeasuredValue
  | OffScaleValue
  | RowValue
  | CloseOutValue
  | CoverValue;

/** A photo: its bytes travel apart and are found by their SHA-256. */
export interface PhotoValue {
  readonly sha256: string;
  readonly type: 'image/jpeg' | 'image/png' | 'image/webp';
  readonly bytes: number;
  readonly width: number;
  readonly height: number;
  readonly takenAt: string;
  readonly comment: string;
  /** Where it was taken, in degrees (WGS 84), as the picture itself says. */
  readonly place?: { readonly lat: number; readonly lon: number };
  /** What was drawn over it, in a unit box as wide as the photo; the photo itself stays as taken. */
  readonly marks?: readonly Shape[];
}

/** A video, a voice note or any other file; like a photo, its bytes travel apart. */
export interface FileValue {
  readonly sha256: string;
  readonly type: string;
  readonly bytes: number;
  readonly name: string;
  readonly takenAt: string;
  readonly comment: string;
  /** Length of a recording, in seconds. */
  readonly seconds?: number;
}

export type Stroke = readonly (readonly [number, number])[];

/** A signature as strokes in a unit box 1 wide; y keeps the drawing's proportion. */
export interface SignatureValue {
  readonly name: string;
  readonly strokes: readonly Stroke[];
  /** Given by typing the name, by somebody who can't draw it here; nothing is drawn then. */
  readonly typed?: true;
}

/** A second person's word on a step: passed or not, signed with their own name. */
export interface HoldValue {
  readonly verdict: 'passed' | 'refused';
  readonly name: string;
  /** Person id of who signs; empty for somebody from outside. */
  readonly person: string;
  /** Empty where a code or their own sign-in stands for it. */
  readonly strokes: readonly Stroke[];
  readonly note?: string;
  /** The code that their own phone gave for this step. */
  readonly proof?: string;
}

type Point = readonly [number, number];

/** One thing drawn, in a unit box 1 wide. */
export type Shape =
  | { readonly kind: 'free'; readonly points: Stroke }
  | { readonly kind: 'line' | 'arrow'; readonly from: Point; readonly to: Point }
  | { readonly kind: 'circle'; readonly at: Point; readonly radius: number }
  | { readonly kind: 'text'; readonly at: Point; readonly words: string }
  | { readonly kind: 'symbol'; readonly at: Point; readonly symbol: string };

export interface SketchValue {
  readonly shapes: readonly Shape[];
  /** Height of the paper when it is 1 wide. */
  readonly height: number;
  /** A picture that lies underneath and fills the paper. */
  readonly under?: PhotoValue;
}

export interface AddressValue {
  readonly address: string;
  readonly latitude?: number;
  readonly longitude?: number;
  /** Radius in metres. */
  readonly accuracy?: number;
}

/** Percentages of a whole, by part. */
export interface SharesValue {
  readonly shares: Readonly<Record<string, number>>;
}

export interface CodeValue {
  readonly code: string;
  readonly how: 'scanned' | 'typed';
  readonly symbology?: string;
}

/** A row of a catalogue as it was when it was chosen; `row` is empty for a name written by hand. */
export interface LookupValue {
  readonly catalogue: string;
  readonly row: string;
  readonly label: string;
  readonly fields: Readonly<Record<string, string | number>>;
}

/** A value a connected instrument gave, in the entry's unit. */
export interface MeasuredValue {
  readonly reading: number;
  readonly instrument: string;
  readonly serial: string;
  readonly takenAt: string;
}

/** What the meter could not show, only that it lies above or below an end of its scale; in the entry's unit. */
export interface OffScaleValue {
  readonly offScale: 'above' | 'below';
  readonly limit: number;
}

/** A row of a row group: where it stands among its neighbours, and what it is called. */
export interface RowValue {
  readonly order: number;
  readonly name: string;
}

/** The paths that were closed out as not applicable in one go. */
export interface CloseOutValue {
  readonly closed: readonly string[];
}

/** What a finish or an approval had before it: of each device the last entry its author knew. */
export interface CoverValue {
  readonly covered: Readonly<Record<string, string>>;
}

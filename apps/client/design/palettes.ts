/** What each colour is for; every theme gives all of them. */
export type Palette = {
  /** The ground, and what is raised from it. */
  readonly paper: string;
  readonly sheet: string;
  /** Text, and quiet text. */
  readonly ink: string;
  readonly ink2: string;
  /** Lines, and what lies ahead. */
  readonly rule: string;
  readonly sand: string;
  /** Under the pointer. */
  readonly touch: string;
  /** The action bar and chosen answers, and the text on them. */
  readonly bark: string;
  readonly onBark: string;
  /** Fills the mark of where one is; too light for a line or a text of its own. */
  readonly sun: string;
  readonly onSun: string;
  /** Needs eyes. */
  readonly clay: string;
  readonly clayGround: string;
  /** Differs, information. */
  readonly lake: string;
  readonly lakeGround: string;
  /** The expected range. */
  readonly mossGround: string;
  /** Dotted dividers. */
  readonly trail: string;
};

const light: Palette = {
  paper: '#F4EFE4',
  sheet: '#FFFCF5',
  ink: '#231C15',
  ink2: '#5A4F43',
  rule: '#DCD2BF',
  sand: '#8F7F66',
  touch: '#EAE2D2',
  bark: '#2B2118',
  onBark: '#FFFCF5',
  sun: '#E9AE2C',
  onSun: '#231C15',
  clay: '#A8401F',
  clayGround: '#F8E3D8',
  lake: '#1E5A72',
  lakeGround: '#DFECEF',
  mossGround: '#CFD8BF',
  trail: '#8A5A2B',
};

const dark: Palette = {
  paper: '#17130E',
  sheet: '#221C15',
  ink: '#F3ECDD',
  ink2: '#C2B5A1',
  rule: '#453B2E',
  sand: '#857862',
  touch: '#352C21',
  bark: '#EFE5D2',
  onBark: '#1D1711',
  sun: '#F0B93C',
  onSun: '#1D1711',
  clay: '#F59B78',
  clayGround: '#4A2416',
  lake: '#8CC3D9',
  lakeGround: '#16323D',
  mossGround: '#3A452C',
  trail: '#C08B55',
};

/** For full sun: the highest contrast, few tones. */
const sunlight: Palette = {
  paper: '#FFFFFF',
  sheet: '#FFFFFF',
  ink: '#000000',
  ink2: '#1F1812',
  rule: '#4A4036',
  sand: '#6B5D49',
  touch: '#F1EADB',
  bark: '#000000',
  onBark: '#FFFFFF',
  sun: '#FFC21A',
  onSun: '#000000',
  clay: '#8A2500',
  clayGround: '#FFE3D6',
  lake: '#003B55',
  lakeGround: '#D9F0FA',
  mossGround: '#B8D18E',
  trail: '#5E3510',
};

export const PALETTES = { light, dark, sunlight } as const;
export type ThemeName = keyof typeof PALETTES;

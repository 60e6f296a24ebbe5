/** Scripts with faces of their own, by their ISO 15924 codes in small letters: Hebrew, Arabic, Devanagari, Japanese, Korean, Chinese (simplified). */
export type Script = 'hebr' | 'arab' | 'deva' | EastAsian;
export type EastAsian = 'jpan' | 'kore' | 'hans';

/** The shipped faces: Atkinson Hyperlegible Next, Source Serif 4 for titles, Noto Sans for scripts the others lack. */
export type Face =
  | 'sans400'
  | 'sans600'
  | 'sans700'
  | 'sans400i'
  | 'sans600i'
  | 'sans700i'
  | 'serif600'
  | 'noto400'
  | 'noto600'
  | 'noto700'
  | `${Exclude<Script, EastAsian>}${400 | 600 | 700}`
  | `${EastAsian}${400 | 700}`;

export interface FaceCss {
  readonly family: string;
  readonly weight: 400 | 600 | 700;
  readonly italic: boolean;
}

const families: readonly (readonly [start: string, family: string])[] = [
  ['sans', 'Atkinson Hyperlegible Next'],
  ['serif', 'Source Serif 4'],
  ['hebr', 'Noto Sans Hebrew'],
  ['arab', 'Noto Sans Arabic'],
  ['jpan', 'Noto Sans JP'],
  ['kore', 'Noto Sans KR'],
  ['hans', 'Noto Sans SC'],
  // Devanagari stands in Noto Sans itself.
  ['', 'Noto Sans'],
];

/** How SVG and CSS name a face. */
export function faceCss(face: Face): FaceCss {
  const weight = Number(face.replace(/\D/g, '')) as FaceCss['weight'];
  const family = families.find(([start]) => face.startsWith(start))![1];
  return { family, weight, italic: face.endsWith('i') };
}

export function sansFace(weight: 400 | 600 | 700, slant: 'upright' | 'italic'): Face {
  return `sans${weight}${slant === 'italic' ? 'i' : ''}`;
}

/** The face of a script in the weight of another face; East Asian faces are regular or bold. */
export function scriptFace(script: Script, like: Face): Face {
  const { weight } = faceCss(like);
  if (script === 'hebr' || script === 'arab' || script === 'deva') return `${script}${weight}`;
  return `${script}${weight === 400 ? 400 : 700}`;
}

/** Noto Sans in the weight of another face. */
export const notoFace = (like: Face): Face => `noto${faceCss(like).weight}`;

/** Whether letters of a face take forms that depend on their neighbours, so that whoever draws it has to shape it, with the features of the font. */
export const isShaped = (face: Face): boolean => /^(hebr|arab|deva)/.test(face);

/** Whether a face is one of the three that share ideographs. */
export const isEastAsian = (face: Face): boolean => /^(jpan|kore|hans)/.test(face);

/** Whether a face is of one script, whose features are left on and whose letters are not spaced. */
export const isOfScript = (face: Face): boolean => isShaped(face) || isEastAsian(face);

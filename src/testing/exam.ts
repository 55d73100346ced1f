import { Exam } from '@/contract/picture';

/** What an examination may say of a picture: out of focus, on a floor that is not quite plain. */
export const EXAM = Exam.parse({
  blur: 3.1,
  laplacian: 9,
  light: 0.6,
  bright: 0.9,
  blown: 0,
  black: 0,
  grounds: 6,
  falloff: 3,
  sure: 0.7,
  box: [0.1, 0.1, 0.8, 0.8],
  area: 0.4,
  cutOff: [],
  writing: 0,
  outline: { rows: [], columns: [], rowPieces: [], columnPieces: [] },
  print: '',
});

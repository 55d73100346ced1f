import type { MeasureSpec } from './spec';

export const measure = (
  id: string,
  name: string,
  how: string,
  low: number,
  high: number,
  line: MeasureSpec['line'],
  alsoCalled: readonly string[] = [],
): MeasureSpec => ({ id, name, how, usual: [low, high], line, alsoCalled });

// Flat measuring; what to measure, the usual spans and where lines run are common practice of the trade, from
// memory.
export const chest: MeasureSpec = {
  ...measure(
    'chest',
    'Pit to pit',
    'Flat, seam to seam under the arms',
    300,
    850,
    [0.24, 0.42, 0.76, 0.42],
    ['chest', 'p2p', 'ptp'],
  ),
  doubled: true,
};
export const length = measure(
  'length',
  'Length',
  'Back of the collar to the hem',
  350,
  1400,
  [0.5, 0.02, 0.5, 0.98],
  ['back length'],
);
export const sleeve = measure(
  'sleeve',
  'Sleeve',
  'Shoulder seam to cuff',
  300,
  900,
  [0.8, 0.14, 0.97, 0.78],
  ['sleeves', 'arm'],
);
export const shoulder = measure(
  'shoulder',
  'Shoulders',
  'Seam to seam across the back',
  300,
  650,
  [0.2, 0.12, 0.8, 0.12],
  ['shoulder'],
);
export const waist: MeasureSpec = {
  ...measure('waist', 'Waist', 'Flat across the band', 250, 700, [0.14, 0.03, 0.86, 0.03]),
  doubled: true,
};
export const inseam = measure(
  'inseam',
  'Inside leg',
  'Crotch seam to hem',
  400,
  1000,
  [0.54, 0.36, 0.6, 0.99],
  ['inseam', 'inner leg'],
);
export const rise = measure(
  'rise',
  'Front rise',
  'Crotch seam to the top of the band',
  180,
  450,
  [0.5, 0.02, 0.5, 0.34],
  ['rise'],
);
export const width = measure(
  'width',
  'Width',
  'Widest point, straight across',
  10,
  5000,
  [0.02, 0.6, 0.98, 0.6],
  ['wide'],
);
export const height = measure(
  'height',
  'Height',
  'Standing, to the very top',
  10,
  3000,
  [0.06, 0.01, 0.06, 0.99],
  ['tall', 'high'],
);
export const depth = measure('depth', 'Depth', 'Front to back', 5, 3000, [0.3, 0.9, 0.7, 0.9], ['deep']);
export const insole = measure('insole', 'Insole', 'Heel to toe, inside', 120, 360, [0.1, 0.85, 0.95, 0.85]);
export const heel = measure(
  'heel',
  'Heel height',
  'At the back, to the floor',
  5,
  160,
  [0.08, 0.8, 0.08, 0.99],
  ['heel'],
);
export const hip: MeasureSpec = {
  ...measure('hip', 'Hips', 'Flat across the widest point', 250, 800, [0.15, 0.4, 0.85, 0.4], ['hips']),
  doubled: true,
};
export const diameter = measure(
  'diameter',
  'Diameter',
  'Across the rim, outside',
  5,
  2000,
  [0.02, 0.3, 0.98, 0.3],
  ['across', 'dia'],
);
export const edgeLength = measure(
  'edgeLength',
  'Length',
  'Edge to edge',
  20,
  6000,
  [0.5, 0.02, 0.5, 0.98],
  ['long'],
);
export const endToEnd = measure(
  'toolLength',
  'Length',
  'End to end',
  5,
  3000,
  [0.01, 0.8, 0.99, 0.8],
  ['long'],
);
export const seatHeight = measure(
  'seatHeight',
  'Seat height',
  'Floor to the top of the seat',
  150,
  900,
  [0.1, 0.5, 0.1, 0.99],
  ['seat'],
);
export const strapDrop = measure(
  'strapDrop',
  'Strap drop',
  'Top of the strap to the bag',
  50,
  900,
  [0.5, 0.02, 0.5, 0.3],
);
export const innerDiameter = measure(
  'innerDiameter',
  'Inside diameter',
  'Inside, at the widest',
  10,
  90,
  [0.2, 0.5, 0.8, 0.5],
  ['inside'],
);
export const caseWidth = measure(
  'caseWidth',
  'Case width',
  'Without the crown',
  10,
  80,
  [0.1, 0.5, 0.9, 0.5],
  ['case'],
);
export const outerLeg = measure(
  'outerLeg',
  'Outside leg',
  'Band to hem along the side seam',
  200,
  1300,
  [0.1, 0.02, 0.06, 0.99],
  ['outseam'],
);
export const brim = measure(
  'headAround',
  'Around the head',
  'Inside, along the band',
  400,
  700,
  [0.1, 0.8, 0.9, 0.8],
  ['head'],
);
export const scaleLength = measure(
  'scaleLength',
  'String length',
  'Nut to bridge',
  200,
  1100,
  [0.5, 0.05, 0.5, 0.7],
  ['scale'],
);

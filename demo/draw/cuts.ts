import { path } from './studio';

/** A garment with sleeves, laid out flat. */
export const BODY = path((p) => {
  p.moveTo(392, 168);
  p.bezierCurveTo(430, 196, 570, 196, 608, 168);
  p.bezierCurveTo(660, 186, 716, 206, 748, 236);
  p.bezierCurveTo(800, 330, 872, 560, 900, 706);
  p.lineTo(806, 744);
  p.bezierCurveTo(776, 640, 742, 520, 712, 438);
  p.bezierCurveTo(720, 560, 722, 720, 720, 842);
  p.bezierCurveTo(600, 862, 400, 862, 280, 842);
  p.bezierCurveTo(278, 720, 280, 560, 288, 438);
  p.bezierCurveTo(258, 520, 224, 640, 194, 744);
  p.lineTo(100, 706);
  p.bezierCurveTo(128, 560, 200, 330, 252, 236);
  p.bezierCurveTo(284, 206, 340, 186, 392, 168);
  p.closePath();
});

// node scripts/icons.mjs: draws the app's icons anew: the lit window of an attic under its gable.
import { createCanvas } from '@napi-rs/canvas';
import { mkdirSync, writeFileSync } from 'node:fs';

const MOSS = '#3E5A39';
const PAPER = '#F5EFE2';
const BRASS = '#E7B53F';
const INK = '#2B2721';

/** @param isMasked the phone cuts its own shape out of it: all of the ground, and the drawing well inside */
function icon(size, isMasked) {
  const canvas = createCanvas(size, size);
  const c = canvas.getContext('2d');
  c.fillStyle = MOSS;
  c.beginPath();
  c.roundRect(0, 0, size, size, isMasked ? 0 : size * 0.2);
  c.fill();
  // Drawn on a field of 100 × 100; masks leave a circle of 80 for sure.
  const scale = (size / 100) * (isMasked ? 0.78 : 1);
  c.translate(size / 2, size / 2);
  c.scale(scale, scale);
  c.translate(-50, -50);
  roof(c);
  window(c);
  return canvas.toBuffer('image/png');
}

function roof(c) {
  c.strokeStyle = PAPER;
  c.lineWidth = 7;
  c.lineCap = 'round';
  c.lineJoin = 'round';
  c.beginPath();
  c.moveTo(14, 50);
  c.lineTo(50, 16);
  c.lineTo(86, 50);
  c.stroke();
}

function window(c) {
  const arch = () => {
    c.beginPath();
    c.moveTo(33, 84);
    c.lineTo(33, 58);
    c.arc(50, 58, 17, Math.PI, 0);
    c.lineTo(67, 84);
    c.closePath();
  };
  arch();
  c.fillStyle = BRASS;
  c.fill();
  c.strokeStyle = INK;
  c.lineWidth = 3.4;
  c.lineJoin = 'round';
  c.stroke();
  c.beginPath();
  c.moveTo(50, 42);
  c.lineTo(50, 84);
  c.moveTo(33, 63);
  c.lineTo(67, 63);
  c.stroke();
}

mkdirSync('public/icons', { recursive: true });
for (const size of [192, 512]) {
  writeFileSync(`public/icons/attic-${size}.png`, icon(size, false));
  writeFileSync(`public/icons/attic-maskable-${size}.png`, icon(size, true));
}
writeFileSync('public/icons/attic-180.png', icon(180, true));
writeFileSync('public/favicon.ico', icon(64, false));

import { createCanvas, GlobalFonts, type Canvas } from '@napi-rs/canvas';

import { Random } from '../../sim/random';

const FONTS = 'node_modules/@expo-google-fonts';
let loaded = false;

function loadFonts(): void {
  if (loaded) return;
  loaded = true;
  const atkinson = 'atkinson-hyperlegible-next';
  GlobalFonts.registerFromPath(
    `${FONTS}/${atkinson}/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf`,
    'Label',
  );
  GlobalFonts.registerFromPath(
    `${FONTS}/${atkinson}/700Bold/AtkinsonHyperlegibleNext_700Bold.ttf`,
    'LabelBold',
  );
}

/** A sewn-in label, close: the first line is the maker's name. */
export function careLabel(lines: readonly string[], seed: number, tilt = 0): Canvas {
  loadFonts();
  const random = new Random(seed);
  const canvas = createCanvas(1_400, 1_100);
  const pen = canvas.getContext('2d');
  pen.fillStyle = '#2f4260';
  pen.fillRect(0, 0, canvas.width, canvas.height);
  for (let y = 0; y < canvas.height; y += 7) {
    pen.fillStyle = `rgba(0,0,20,${0.05 + random.next() * 0.12})`;
    pen.fillRect(0, y, canvas.width, 3);
  }
  pen.translate(canvas.width / 2, canvas.height / 2);
  pen.rotate((tilt * Math.PI) / 180);
  pen.shadowColor = 'rgba(0,0,0,0.5)';
  pen.shadowBlur = 18;
  pen.fillStyle = '#f1ece0';
  pen.fillRect(-470, -380, 940, 760);
  pen.shadowColor = 'transparent';
  pen.fillStyle = '#2a2420';
  pen.textAlign = 'center';
  lines.forEach((line, i) => {
    pen.font = i === 0 ? '92px LabelBold' : '60px Label';
    pen.fillText(line, 0, -250 + i * 112);
  });
  return withGrain(canvas, random);
}

/** A whiteboard with measurements on it, written by hand as far as a font can: every letter a little off. */
export function whiteboard(lines: readonly string[], seed: number): Canvas {
  loadFonts();
  const random = new Random(seed);
  const canvas = createCanvas(1_400, 1_050);
  const pen = canvas.getContext('2d');
  const light = pen.createLinearGradient(0, 0, 1_400, 1_050);
  light.addColorStop(0, '#fbfbf8');
  light.addColorStop(1, '#dcdcd6');
  pen.fillStyle = light;
  pen.fillRect(0, 0, canvas.width, canvas.height);
  pen.fillStyle = '#22304e';
  lines.forEach((line, i) => {
    let x = 130;
    for (const letter of line) {
      pen.save();
      pen.translate(x, 220 + i * 190 + (random.next() - 0.5) * 6);
      pen.rotate((random.next() - 0.5) * 0.04);
      pen.font = `${96 + Math.round(random.next() * 7)}px Label`;
      pen.fillText(letter, 0, 0);
      x += pen.measureText(letter).width + 3;
      pen.restore();
    }
  });
  return withGrain(canvas, random);
}

function withGrain(canvas: Canvas, random: Random): Canvas {
  const pen = canvas.getContext('2d');
  const image = pen.getImageData(0, 0, canvas.width, canvas.height);
  for (let i = 0; i < image.data.length; i += 4) {
    const n = (random.next() + random.next() - 1) * 9;
    for (let k = 0; k < 3; k += 1) image.data[i + k] = image.data[i + k]! + n;
  }
  pen.putImageData(image, 0, 0);
  return canvas;
}

import { createCanvas, type Canvas } from '@napi-rs/canvas';

import { Random } from '../../sim/random';

/** Ways a picture goes wrong, each with a known size: what the examination has to notice. */

/** Out of focus, or moved: a Gaussian of so many pixels. */
export function blurred(picture: Canvas, sigma: number): Canvas {
  return redrawn(picture, (pen) => {
    pen.filter = `blur(${sigma}px)`;
    pen.drawImage(picture, 0, 0);
  });
}

/** Taken in too little light, or too much. `light` 1 leaves it as it is. */
export function lit(picture: Canvas, light: number): Canvas {
  return redrawn(picture, (pen) => {
    pen.filter = `brightness(${light})`;
    pen.drawImage(picture, 0, 0);
  });
}

/** Moved to one side, so that the item runs out of the frame, by a share of the width. */
export function moved(picture: Canvas, share: number): Canvas {
  const left = Math.round(picture.width * share);
  const canvas = createCanvas(picture.width - left, picture.height);
  canvas.getContext('2d').drawImage(picture, -left, 0);
  return canvas;
}

/** Words laid over the picture, as a watermark is. */
export function watermarked(picture: Canvas, words: string, opacity = 0.6): Canvas {
  return redrawn(picture, (pen) => {
    pen.drawImage(picture, 0, 0);
    pen.fillStyle = `rgba(40,40,60,${opacity})`;
    pen.font = `bold ${Math.round(picture.height / 22)}px sans-serif`;
    pen.fillText(words, picture.width * 0.05, picture.height * 0.96);
  });
}

/** Other items lying about. */
export function cluttered(picture: Canvas, seed: number): Canvas {
  const random = new Random(seed);
  return redrawn(picture, (pen) => {
    pen.drawImage(picture, 0, 0);
    for (let i = 0; i < 60; i += 1) {
      const side = random.next();
      const along = random.next() * picture.width;
      const off = random.next() * picture.height * 0.09;
      pen.fillStyle = `hsl(${random.next() * 360} 55% ${random.between(25, 75)}%)`;
      const size = random.between(0.02, 0.09) * picture.width;
      const [x, y] =
        side < 0.25
          ? [along, off]
          : side < 0.5
            ? [along, picture.height - off]
            : side < 0.75
              ? [off, along]
              : [picture.width - off, along];
      pen.fillRect(x - size / 2, y - size / 2, size, size * random.between(0.4, 1.6));
    }
  });
}

/** Turned by quarters, clockwise. */
export function turned(picture: Canvas, quarters: 0 | 1 | 2 | 3): Canvas {
  const side = quarters % 2 === 1;
  const canvas = createCanvas(side ? picture.height : picture.width, side ? picture.width : picture.height);
  const pen = canvas.getContext('2d');
  pen.translate(canvas.width / 2, canvas.height / 2);
  pen.rotate((quarters * Math.PI) / 2);
  pen.drawImage(picture, -picture.width / 2, -picture.height / 2);
  return canvas;
}

function redrawn(picture: Canvas, draw: (pen: ReturnType<Canvas['getContext']>) => void): Canvas {
  const canvas = createCanvas(picture.width, picture.height);
  draw(canvas.getContext('2d'));
  return canvas;
}

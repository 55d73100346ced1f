import { BODY } from './cuts';
import type { Dye } from './dyes';
import {
  folds,
  inside,
  knit,
  label,
  path,
  rim,
  shine,
  solid,
  stitch,
  weave,
  type Floor,
  type Path2D,
  type Pen,
  type Subject,
} from './studio';

/** What is light lies on boards, what is dark on linen: both stand out. */
export function floorFor({ light }: Dye): Floor {
  return parseInt(light.slice(1, 3), 16) > 0xc0 ? 'slate' : 'linen';
}

const HANGING: [number, number, number, number][] = [
  [330, 640, 350, 840],
  [662, 600, 648, 838],
  [500, 520, 506, 760],
  [420, 300, 470, 480],
];

/** Buttons down a front. */
function buttons(pen: Pen, from: number, to: number, n: number, ink: string): void {
  for (let i = 0; i < n; i += 1) {
    pen.fillStyle = ink;
    pen.beginPath();
    pen.arc(500, from + ((to - from) * i) / (n - 1), 9, 0, 7);
    pen.fill();
    pen.strokeStyle = 'rgba(0,0,0,0.4)';
    pen.lineWidth = 1.5;
    pen.stroke();
  }
}

/** A jumper, or with buttons a cardigan. */
export function knitted(dye: Dye, brand: string, open = false): Subject {
  return {
    floor: floorFor(dye),
    draw(pen, side) {
      solid(pen, BODY, dye.light, dye.dark);
      knit(pen, BODY, 'rgba(255,255,255,0.2)', 12);
      folds(pen, BODY, HANGING);
      rim(pen, BODY);
      inside(pen, BODY, () => {
        pen.fillStyle = 'rgba(0,0,0,0.22)';
        for (let x = 276; x < 724; x += 10) pen.fillRect(x, 796, 5, 60);
      });
      const front = side === 'front';
      const collar = path((p) => {
        p.moveTo(388, 172);
        p.bezierCurveTo(420, front ? 250 : 190, 580, front ? 250 : 190, 612, 172);
        p.bezierCurveTo(590, 136, 410, 136, 388, 172);
      });
      solid(pen, collar, dye.dark, dye.dark);
      if (open && front) {
        pen.fillStyle = 'rgba(0,0,0,0.18)';
        pen.fillRect(478, 226, 44, 620);
        buttons(pen, 280, 800, 6, '#e9dcc0');
      }
      if (front) label(pen, 452, 150, 96, [brand.toUpperCase(), 'pure wool']);
    },
  };
}

/** A shirt with a collar, a coat where it is of stout cloth. */
export function buttoned(dye: Dye, brand: string, checked = false): Subject {
  return {
    floor: floorFor(dye),
    draw(pen, side) {
      solid(pen, BODY, dye.light, dye.dark);
      weave(pen, BODY, 'rgba(255,255,255,0.10)', 6);
      if (checked)
        inside(pen, BODY, () => {
          for (let at = 100; at < 900; at += 56) {
            pen.fillStyle = 'rgba(255,255,255,0.22)';
            pen.fillRect(at, 100, 10, 800);
            pen.fillStyle = 'rgba(0,0,0,0.18)';
            pen.fillRect(80, at, 840, 10);
          }
        });
      folds(pen, BODY, HANGING);
      rim(pen, BODY);
      if (side === 'back') return;
      pen.fillStyle = 'rgba(0,0,0,0.14)';
      pen.fillRect(482, 210, 36, 640);
      buttons(pen, 262, 800, 7, '#f2ead6');
      for (const s of [-1, 1]) {
        const flap = path((p) => {
          p.moveTo(500, 214);
          p.lineTo(500 + s * 112, 172);
          p.lineTo(500 + s * 92, 262);
          p.closePath();
        });
        solid(pen, flap, dye.light, dye.dark, [450, 160], [550, 280]);
        rim(pen, flap, 0.5, 8);
        stitch(pen, (p) => p.roundRect(500 + s * 118 - 56, 420, 112, 120, 8), 'rgba(255,255,255,0.5)');
      }
      label(pen, 460, 176, 80, [brand.toUpperCase()]);
    },
  };
}

/** A dress, or from the waist down a skirt. */
export function flared(dye: Dye, whole = true, dotted = false): Subject {
  const cut = path((p) => {
    if (whole) {
      p.moveTo(400, 110);
      p.bezierCurveTo(450, 170, 550, 170, 600, 110);
      p.lineTo(668, 132);
      p.bezierCurveTo(640, 240, 640, 330, 622, 400);
    } else {
      p.moveTo(372, 210);
      p.lineTo(628, 210);
    }
    p.bezierCurveTo(680, 560, 760, 740, 792, 880);
    p.bezierCurveTo(600, 918, 400, 918, 208, 880);
    p.bezierCurveTo(240, 740, 320, 560, 378, whole ? 400 : 212);
    if (whole) {
      p.bezierCurveTo(360, 330, 360, 240, 332, 132);
    }
    p.closePath();
  });
  return {
    floor: floorFor(dye),
    draw(pen, _, random) {
      solid(pen, cut, dye.light, dye.dark);
      weave(pen, cut, 'rgba(255,255,255,0.08)');
      if (dotted)
        inside(pen, cut, () => {
          pen.fillStyle = 'rgba(255,250,235,0.75)';
          for (let y = 120; y < 920; y += 44)
            for (let x = 190 + (y % 88) / 2; x < 820; x += 44) {
              pen.beginPath();
              pen.arc(x + random.between(-3, 3), y, 7, 0, 7);
              pen.fill();
            }
        });
      folds(pen, cut, [
        [420, 430, 330, 880],
        [500, 430, 490, 890],
        [580, 430, 670, 880],
        [540, 440, 590, 880],
        [460, 440, 410, 880],
      ]);
      rim(pen, cut);
      pen.fillStyle = dye.dark;
      pen.fillRect(whole ? 378 : 368, whole ? 388 : 204, whole ? 244 : 264, 26);
    },
  };
}

/** Trousers, jeans where they are sewn with bright thread. */
export function legs(dye: Dye, bright = false): Subject {
  const cut = path((p) => {
    p.moveTo(330, 120);
    p.lineTo(670, 120);
    p.bezierCurveTo(700, 400, 712, 660, 716, 900);
    p.lineTo(552, 906);
    p.bezierCurveTo(540, 700, 524, 520, 500, 360);
    p.bezierCurveTo(476, 520, 460, 700, 448, 906);
    p.lineTo(284, 900);
    p.bezierCurveTo(288, 660, 300, 400, 330, 120);
    p.closePath();
  });
  return {
    floor: floorFor(dye),
    draw(pen, side) {
      solid(pen, cut, dye.light, dye.dark);
      weave(pen, cut, 'rgba(255,255,255,0.12)', 4);
      folds(pen, cut, [
        [370, 300, 350, 860],
        [630, 300, 650, 860],
        [440, 330, 420, 560],
        [560, 330, 580, 560],
      ]);
      rim(pen, cut);
      pen.fillStyle = 'rgba(0,0,0,0.2)';
      pen.fillRect(326, 120, 348, 40);
      const thread = bright ? '#e0b25c' : 'rgba(255,255,255,0.45)';
      stitch(pen, (p) => p.rect(330, 126, 340, 30), thread);
      const pocket = (x: number) =>
        stitch(
          pen,
          (p) => {
            if (side === 'back') return p.roundRect(x - 52, 210, 104, 124, [4, 4, 30, 30]);
            p.moveTo(x - 60, 160);
            p.quadraticCurveTo(x - 40, 250, x + 60, 262);
          },
          thread,
          3,
        );
      pocket(410);
      pocket(590);
      if (side === 'back') label(pen, 590, 126, 70, ['OSTLER'], '#5a3a20', '#c89b62');
    },
  };
}

/** A hat with a brim. */
export function brimmed(dye: Dye): Subject {
  return {
    floor: floorFor(dye),
    draw(pen) {
      const brim = path((p) => p.ellipse(500, 640, 400, 150, 0, 0, 7));
      solid(pen, brim, dye.light, dye.dark, [150, 560], [820, 760]);
      rim(pen, brim, 0.5);
      const crown = path((p) => {
        p.moveTo(270, 630);
        p.bezierCurveTo(280, 360, 360, 280, 500, 300);
        p.bezierCurveTo(640, 270, 724, 360, 730, 630);
        p.bezierCurveTo(620, 700, 380, 700, 270, 630);
        p.closePath();
      });
      solid(pen, crown, dye.light, dye.dark, [300, 300], [720, 700]);
      weave(pen, crown, 'rgba(255,255,255,0.08)', 4);
      inside(pen, crown, () => {
        pen.strokeStyle = dye.dark;
        pen.lineWidth = 52;
        pen.beginPath();
        pen.moveTo(262, 588);
        pen.quadraticCurveTo(500, 690, 738, 588);
        pen.stroke();
      });
      folds(pen, crown, [[440, 310, 520, 420]], 0.4);
      rim(pen, crown, 0.4);
    },
  };
}

/** A low shoe, laced, seen from its side. */
export function laced(dye: Dye): Subject {
  return {
    floor: floorFor(dye),
    draw(pen) {
      const soleShape = path((p) => p.roundRect(130, 690, 760, 62, 26));
      solid(pen, soleShape, '#5a4632', '#2a1d12', [130, 690], [130, 752]);
      const upper = path((p) => {
        p.moveTo(150, 690);
        p.bezierCurveTo(130, 560, 150, 450, 176, 418);
        p.bezierCurveTo(240, 452, 330, 452, 392, 430);
        p.bezierCurveTo(470, 500, 560, 540, 700, 560);
        p.bezierCurveTo(820, 584, 876, 640, 872, 700);
        p.closePath();
      });
      solid(pen, upper, dye.light, dye.dark, [160, 420], [860, 720]);
      rim(pen, upper, 0.5);
      stitch(
        pen,
        (p) => {
          p.moveTo(600, 556);
          p.quadraticCurveTo(640, 640, 620, 690);
          p.moveTo(392, 430);
          p.quadraticCurveTo(372, 580, 420, 690);
        },
        'rgba(255,240,210,0.7)',
        3,
      );
      pen.strokeStyle = '#e9dcc0';
      pen.lineWidth = 8;
      for (let i = 0; i < 4; i += 1) {
        pen.beginPath();
        pen.moveTo(404 + i * 42, 446 + i * 26);
        pen.lineTo(434 + i * 42, 524 + i * 12);
        pen.stroke();
      }
      shine(pen, upper, (p: Path2D) => {
        p.moveTo(700, 590);
        p.quadraticCurveTo(800, 610, 836, 660);
      });
    },
  };
}

/** A case with two locks, or with a strap a bag. */
export function carried(dye: Dye, strapped: boolean): Subject {
  return {
    floor: floorFor(dye),
    draw(pen) {
      pen.strokeStyle = dye.dark;
      pen.lineWidth = strapped ? 26 : 30;
      pen.beginPath();
      if (strapped) {
        pen.moveTo(250, 420);
        pen.bezierCurveTo(250, 90, 750, 90, 750, 420);
      } else {
        pen.moveTo(400, 300);
        pen.bezierCurveTo(400, 210, 600, 210, 600, 300);
      }
      pen.stroke();
      const body = path((p) =>
        strapped ? p.roundRect(200, 380, 600, 460, [30, 30, 90, 90]) : p.roundRect(120, 290, 760, 500, 36),
      );
      solid(pen, body, dye.light, dye.dark);
      folds(pen, body, [
        [300, 500, 330, 760],
        [680, 480, 660, 760],
      ]);
      rim(pen, body, 0.5);
      if (strapped) {
        const flap = path((p) => p.roundRect(190, 372, 620, 250, [26, 26, 120, 120]));
        solid(pen, flap, dye.light, dye.dark, [200, 372], [800, 700]);
        rim(pen, flap, 0.45);
        stitch(pen, (p) => p.roundRect(206, 388, 588, 218, [20, 20, 106, 106]), 'rgba(255,240,200,0.6)');
      } else {
        pen.strokeStyle = 'rgba(0,0,0,0.4)';
        pen.lineWidth = 5;
        pen.strokeRect(124, 520, 752, 6);
        for (const [x, y] of [
          [140, 310],
          [860, 310],
          [140, 770],
          [860, 770],
        ] as const) {
          pen.fillStyle = dye.dark;
          pen.beginPath();
          pen.arc(x, y, 38, 0, 7);
          pen.fill();
        }
      }
      for (const x of strapped ? [500] : [300, 700]) {
        const lock = path((p) => p.roundRect(x - 30, strapped ? 570 : 492, 60, 64, 8));
        solid(pen, lock, '#e2c471', '#7a5a1c', [x - 30, 500], [x + 30, 640]);
        rim(pen, lock, 0.4, 6);
      }
    },
  };
}

/** A brooch, or with a dial a watch on its strap. */
export function worn(dye: Dye, dial: boolean): Subject {
  return {
    floor: 'slate',
    draw(pen) {
      if (dial)
        for (const [y, h] of [
          [110, 300],
          [600, 300],
        ] as const) {
          const strap = path((p) => p.roundRect(430, y, 140, h, 30));
          solid(pen, strap, '#7a4d2b', '#44270f', [430, y], [570, y + h]);
          stitch(pen, (p) => p.roundRect(442, y + 12, 116, h - 24, 22), 'rgba(255,235,200,0.6)');
        }
      const rimShape = path((p) => p.ellipse(500, 500, dial ? 170 : 260, dial ? 170 : 200, 0, 0, 7));
      solid(pen, rimShape, dye.light, dye.dark, [330, 330], [680, 680]);
      rim(pen, rimShape, 0.5);
      const face = path((p) => p.ellipse(500, 500, dial ? 136 : 176, dial ? 136 : 128, 0, 0, 7));
      solid(pen, face, dial ? '#f8f4e6' : '#c98a2e', dial ? '#d6cfb8' : '#7a3f0d', [400, 400], [600, 620]);
      if (dial) {
        pen.strokeStyle = '#2b2722';
        for (let i = 0; i < 12; i += 1) {
          const a = (i * Math.PI) / 6;
          pen.lineWidth = i % 3 === 0 ? 9 : 4;
          pen.beginPath();
          pen.moveTo(500 + Math.cos(a) * 108, 500 + Math.sin(a) * 108);
          pen.lineTo(500 + Math.cos(a) * 126, 500 + Math.sin(a) * 126);
          pen.stroke();
        }
        pen.lineWidth = 8;
        pen.beginPath();
        pen.moveTo(440, 440);
        pen.lineTo(500, 500);
        pen.lineTo(560, 420);
        pen.stroke();
      } else
        for (let i = 0; i < 24; i += 1) {
          const a = (i * Math.PI) / 12;
          pen.fillStyle = i % 2 ? '#fff6de' : dye.dark;
          pen.beginPath();
          pen.arc(500 + Math.cos(a) * 218, 500 + Math.sin(a) * 164, 12, 0, 7);
          pen.fill();
        }
      shine(pen, face, (p: Path2D) => {
        p.moveTo(410, 470);
        p.quadraticCurveTo(450, 410, 520, 396);
      });
    },
  };
}

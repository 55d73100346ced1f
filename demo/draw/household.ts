import type { Dye } from './dyes';
import { floorFor } from './garments';
import { folds, inside, path, rim, shine, solid, weave, type Path2D, type Pen, type Subject } from './studio';

/** A jug, or with a lid and a spout a teapot. */
export function poured(dye: Dye, lid: boolean): Subject {
  return {
    floor: floorFor(dye),
    draw(pen) {
      pen.strokeStyle = dye.dark;
      pen.lineWidth = 40;
      pen.beginPath();
      pen.moveTo(690, 400);
      pen.bezierCurveTo(880, 400, 880, 690, 680, 690);
      pen.stroke();
      if (lid) {
        const spout = path((p) => {
          p.moveTo(330, 640);
          p.bezierCurveTo(220, 620, 220, 470, 140, 410);
          p.lineTo(200, 384);
          p.bezierCurveTo(290, 440, 300, 500, 350, 520);
          p.closePath();
        });
        solid(pen, spout, dye.light, dye.dark, [150, 400], [350, 640]);
        rim(pen, spout);
      }
      const body = path((p) => {
        p.moveTo(lid ? 360 : 340, 300);
        p.bezierCurveTo(230, 470, 250, 760, 360, 830);
        p.lineTo(640, 830);
        p.bezierCurveTo(750, 760, 770, 470, lid ? 640 : 660, 300);
        if (!lid) {
          p.lineTo(300, 240);
        }
        p.closePath();
      });
      solid(pen, body, dye.light, dye.dark);
      inside(pen, body, () => {
        pen.fillStyle = 'rgba(255,255,255,0.28)';
        pen.fillRect(200, 560, 620, 22);
        pen.fillRect(200, 600, 620, 10);
      });
      rim(pen, body, 0.45);
      if (lid) {
        const top = path((p) => p.ellipse(500, 300, 150, 52, 0, 0, 7));
        solid(pen, top, dye.light, dye.dark, [360, 260], [640, 340]);
        rim(pen, top, 0.5, 10);
        const knob = path((p) => p.arc(500, 246, 34, 0, 7));
        solid(pen, knob, dye.light, dye.dark, [470, 220], [530, 280]);
      }
      shine(pen, body, (p: Path2D) => {
        p.moveTo(336, 400);
        p.bezierCurveTo(300, 520, 310, 660, 350, 760);
      });
    },
  };
}

/** A plate, or deeper a pan with a handle. */
export function round(dye: Dye, handle: boolean): Subject {
  return {
    floor: floorFor(dye),
    draw(pen) {
      if (handle) {
        const grip = path((p) => p.roundRect(720, 466, 250, 60, 28));
        solid(pen, grip, dye.light, dye.dark, [720, 466], [720, 526]);
        rim(pen, grip, 0.4, 10);
      }
      const outer = path((p) => p.arc(460, 500, 330, 0, 7));
      solid(pen, outer, dye.light, dye.dark);
      rim(pen, outer, 0.4);
      const bed = path((p) => p.arc(460, 500, handle ? 290 : 214, 0, 7));
      solid(pen, bed, handle ? dye.dark : dye.light, handle ? dye.light : dye.dark, [200, 260], [720, 740]);
      rim(pen, bed, 0.35, 12);
      if (!handle) {
        pen.strokeStyle = '#35588c';
        pen.lineWidth = 9;
        for (const r of [314, 232]) {
          pen.beginPath();
          pen.arc(460, 500, r, 0, 7);
          pen.stroke();
        }
        for (let i = 0; i < 18; i += 1) {
          const a = (i * Math.PI) / 9;
          pen.fillStyle = i % 2 ? '#35588c' : '#a04a3a';
          pen.beginPath();
          pen.ellipse(460 + Math.cos(a) * 273, 500 + Math.sin(a) * 273, 22, 12, a, 0, 7);
          pen.fill();
        }
      }
      shine(pen, bed, (p: Path2D) => {
        p.moveTo(320, 430);
        p.quadraticCurveTo(380, 330, 500, 320);
      });
    },
  };
}

/** A candlestick, or with a shade a lamp. */
export function standing(dye: Dye, shade: Dye | null): Subject {
  return {
    floor: floorFor(dye),
    draw(pen) {
      const foot = path((p) => {
        p.moveTo(320, 880);
        p.bezierCurveTo(330, 800, 450, 800, 466, 740);
        p.bezierCurveTo(440, 640, 480, 600, 466, 480);
        p.lineTo(534, 480);
        p.bezierCurveTo(520, 600, 560, 640, 534, 740);
        p.bezierCurveTo(550, 800, 670, 800, 680, 880);
        p.closePath();
      });
      solid(pen, foot, dye.light, dye.dark, [340, 480], [660, 880]);
      rim(pen, foot, 0.5);
      shine(pen, foot, (p: Path2D) => {
        p.moveTo(482, 500);
        p.lineTo(484, 780);
      });
      if (shade) {
        const cone = path((p) => {
          p.moveTo(400, 150);
          p.lineTo(600, 150);
          p.lineTo(760, 500);
          p.bezierCurveTo(620, 540, 380, 540, 240, 500);
          p.closePath();
        });
        solid(pen, cone, shade.light, shade.dark);
        weave(pen, cone, 'rgba(255,255,255,0.10)');
        rim(pen, cone, 0.4);
        return;
      }
      const cup = path((p) => p.roundRect(420, 400, 160, 90, [10, 10, 40, 40]));
      solid(pen, cup, dye.light, dye.dark, [420, 400], [580, 490]);
      rim(pen, cup, 0.5, 10);
      const candle = path((p) => p.roundRect(458, 150, 84, 256, 10));
      solid(pen, candle, '#f7f0dc', '#d8cba8', [458, 150], [542, 150]);
    },
  };
}

/** A dial in a case. */
export function dialled(dye: Dye): Subject {
  return {
    floor: floorFor(dye),
    draw(pen) {
      const box = path((p) => p.roundRect(210, 180, 580, 660, [290, 290, 24, 24]));
      solid(pen, box, dye.light, dye.dark);
      weave(pen, box, 'rgba(0,0,0,0.12)', 14, 0.05);
      rim(pen, box, 0.5);
      const face = path((p) => p.arc(500, 480, 216, 0, 7));
      solid(pen, face, '#f7f1dd', '#ddd2b2', [300, 300], [700, 700]);
      rim(pen, face, 0.4, 12);
      pen.fillStyle = '#2d2620';
      pen.font = 'bold 44px serif';
      pen.textAlign = 'center';
      for (let hour = 1; hour <= 12; hour += 1) {
        const a = (hour * Math.PI) / 6 - Math.PI / 2;
        pen.fillText(String(hour), 500 + Math.cos(a) * 172, 495 + Math.sin(a) * 172);
      }
      pen.textAlign = 'left';
      pen.strokeStyle = '#2d2620';
      pen.lineCap = 'round';
      for (const [x, y, width] of [
        [430, 400, 12],
        [610, 410, 8],
      ] as const) {
        pen.lineWidth = width;
        pen.beginPath();
        pen.moveTo(500, 480);
        pen.lineTo(x, y);
        pen.stroke();
      }
    },
  };
}

/** A picture in its frame, or glass. */
export function framed(dye: Dye, scene: boolean): Subject {
  return {
    floor: floorFor(dye),
    draw(pen) {
      const frame = path((p) => p.rect(190, 130, 620, 740));
      solid(pen, frame, dye.light, dye.dark);
      rim(pen, frame, 0.45, 22);
      const inner = path((p) => p.rect(262, 202, 476, 596));
      solid(pen, inner, scene ? '#bcd2dc' : '#dfe8ea', scene ? '#7f9db0' : '#aebfc4');
      inside(pen, inner, () => {
        if (!scene) return;
        pen.fillStyle = '#4d7392';
        pen.fillRect(262, 560, 476, 240);
        pen.fillStyle = '#f4efe2';
        pen.beginPath();
        pen.moveTo(480, 300);
        pen.lineTo(480, 560);
        pen.lineTo(350, 560);
        pen.fill();
        pen.beginPath();
        pen.moveTo(496, 340);
        pen.lineTo(496, 560);
        pen.lineTo(620, 560);
        pen.fill();
        pen.fillStyle = '#6b3d22';
        pen.beginPath();
        pen.moveTo(330, 576);
        pen.lineTo(660, 576);
        pen.lineTo(600, 640);
        pen.lineTo(390, 640);
        pen.fill();
      });
      rim(pen, inner, 0.4, 12);
      if (!scene)
        shine(pen, inner, (p: Path2D) => {
          p.moveTo(300, 560);
          p.lineTo(560, 230);
        });
    },
  };
}

/** Patchwork, folded. */
export function patched(dye: Dye, other: Dye): Subject {
  return {
    floor: floorFor(dye),
    draw(pen) {
      const cloth = path((p) => p.roundRect(150, 210, 700, 580, 26));
      solid(pen, cloth, dye.light, dye.dark);
      inside(pen, cloth, () => {
        for (let row = 0; row < 6; row += 1)
          for (let column = 0; column < 7; column += 1) {
            pen.fillStyle = (row + column) % 2 ? other.light : 'rgba(255,255,255,0.35)';
            pen.beginPath();
            pen.moveTo(150 + column * 100, 210 + row * 100);
            pen.lineTo(250 + column * 100, 210 + row * 100);
            pen.lineTo(150 + column * 100, 310 + row * 100);
            pen.fill();
          }
      });
      weave(pen, cloth, 'rgba(0,0,0,0.06)');
      folds(pen, cloth, [
        [160, 500, 840, 506],
        [180, 640, 830, 650],
      ]);
      rim(pen, cloth, 0.45, 22);
    },
  };
}

/** A kitchen chair, from the front. */
export function seated(dye: Dye): Subject {
  const bar = (pen: Pen, x: number, y: number, width: number, height: number) => {
    const shape = path((p) => p.roundRect(x, y, width, height, 12));
    solid(pen, shape, dye.light, dye.dark, [x, y], [x + width, y + height]);
    rim(pen, shape, 0.35, 8);
  };
  return {
    floor: floorFor(dye),
    draw(pen) {
      for (const x of [300, 668]) bar(pen, x, 110, 36, 480);
      for (const y of [140, 250, 360]) bar(pen, 318, y, 366, 54);
      for (const x of [270, 694]) bar(pen, x, 560, 38, 340);
      bar(pen, 300, 760, 400, 26);
      bar(pen, 240, 530, 520, 70);
    },
  };
}

import type { Dye } from './dyes';
import { floorFor } from './garments';
import { inside, path, rim, shine, solid, weave, type Path2D, type Pen, type Subject } from './studio';

function words(pen: Pen, lines: readonly [string, string, number][]): void {
  pen.textAlign = 'center';
  for (const [text, font, y] of lines) {
    pen.font = font;
    pen.fillText(text, 500, y, 440);
  }
  pen.textAlign = 'left';
}

/** A bound book, or flat a magazine, a map, a score. */
export function printed(dye: Dye, title: string, by: string): Subject {
  return {
    floor: floorFor(dye),
    draw(pen, side) {
      const pages = path((p) => p.roundRect(256, 128, 520, 756, 6));
      solid(pen, pages, '#efe6cf', '#cdbf9e');
      const cover = path((p) => p.roundRect(234, 116, 530, 770, [6, 12, 12, 6]));
      solid(pen, cover, dye.light, dye.dark);
      weave(pen, cover, 'rgba(255,255,255,0.07)', 5);
      rim(pen, cover, 0.4, 18);
      pen.fillStyle = 'rgba(0,0,0,0.3)';
      pen.fillRect(264, 118, 6, 766);
      if (side === 'back') return;
      const ink = floorFor(dye) === 'slate' ? '#4a3420' : '#ecd9a6';
      pen.strokeStyle = ink;
      pen.fillStyle = ink;
      pen.lineWidth = 4;
      pen.strokeRect(306, 164, 420, 676);
      const [first = '', ...rest] = title.split(' ');
      words(pen, [
        [first, 'bold 58px serif', 300],
        [rest.join(' '), '40px serif', 362],
        [by, '30px serif', 770],
      ]);
      pen.lineWidth = 8;
      pen.beginPath();
      pen.arc(516, 560, 86, Math.PI, 0);
      for (let i = -2; i <= 2; i += 1) {
        pen.moveTo(516 + i * 40, 596);
        pen.lineTo(516 + i * 40, 640);
      }
      pen.stroke();
    },
  };
}

/** A record half out of its sleeve. */
export function pressed(dye: Dye, title: string, by: string): Subject {
  return {
    floor: floorFor(dye),
    draw(pen) {
      const disc = path((p) => p.arc(620, 500, 300, 0, 7));
      solid(pen, disc, '#34302e', '#131110');
      inside(pen, disc, () => {
        pen.strokeStyle = 'rgba(255,255,255,0.09)';
        for (let r = 120; r < 296; r += 7) {
          pen.lineWidth = 1.5;
          pen.beginPath();
          pen.arc(620, 500, r, 0, 7);
          pen.stroke();
        }
      });
      const sleeve = path((p) => p.rect(110, 190, 600, 620));
      solid(pen, sleeve, dye.light, dye.dark);
      rim(pen, sleeve, 0.4);
      pen.save();
      pen.translate(-90, 0);
      pen.fillStyle = floorFor(dye) === 'slate' ? '#4a3420' : '#f3e7c6';
      words(pen, [
        [title, 'bold 50px serif', 300],
        [by, '32px serif', 740],
      ]);
      pen.beginPath();
      pen.arc(500, 520, 110, 0, 7);
      pen.fill();
      pen.fillStyle = dye.dark;
      pen.fillRect(394, 516, 212, 10);
      pen.fillRect(430, 560, 140, 8);
      pen.restore();
    },
  };
}

/** A box with a picture on its lid. */
export function boxed(dye: Dye, title: string): Subject {
  return {
    floor: floorFor(dye),
    draw(pen) {
      const box = path((p) => p.roundRect(130, 220, 740, 560, 12));
      solid(pen, box, dye.light, dye.dark);
      rim(pen, box, 0.45, 18);
      pen.fillStyle = 'rgba(255,255,255,0.82)';
      pen.fillRect(180, 270, 640, 330);
      for (let row = 0; row < 6; row += 1)
        for (let column = 0; column < 12; column += 1)
          if ((row + column) % 2) {
            pen.fillStyle = row % 3 ? dye.dark : '#b9923f';
            pen.fillRect(192 + column * 52, 280 + row * 52, 50, 50);
          }
      pen.fillStyle = floorFor(dye) === 'slate' ? '#4a3420' : '#f7ecd0';
      words(pen, [[title, 'bold 58px serif', 700]]);
    },
  };
}

/** An appliance with a cloth front and a scale. */
export function tuned(dye: Dye): Subject {
  return {
    floor: floorFor(dye),
    draw(pen) {
      const box = path((p) => p.roundRect(110, 260, 780, 500, 54));
      solid(pen, box, dye.light, dye.dark);
      weave(pen, box, 'rgba(0,0,0,0.12)', 16, 0.04);
      rim(pen, box, 0.5, 22);
      const cloth = path((p) => p.roundRect(170, 320, 400, 380, 20));
      solid(pen, cloth, '#d9c79a', '#a8915a');
      weave(pen, cloth, 'rgba(70,50,20,0.3)', 9);
      weave(pen, cloth, 'rgba(70,50,20,0.3)', 9, -0.6);
      rim(pen, cloth, 0.4, 12);
      pen.fillStyle = '#f2e8cb';
      pen.fillRect(610, 330, 230, 150);
      pen.fillStyle = '#5a3a1a';
      for (let i = 0; i < 12; i += 1) pen.fillRect(624 + i * 18, 350, 2, i % 3 ? 30 : 70);
      pen.fillStyle = '#a33a2a';
      pen.fillRect(706, 340, 4, 130);
      for (const x of [660, 790]) {
        const knob = path((p) => p.arc(x, 610, 50, 0, 7));
        solid(pen, knob, '#f1e6c8', '#a58f5c', [x - 40, 570], [x + 40, 650]);
        rim(pen, knob, 0.5, 10);
      }
    },
  };
}

/** A portable typewriter from above. */
export function typing(dye: Dye): Subject {
  return {
    floor: floorFor(dye),
    draw(pen) {
      const roller = path((p) => p.roundRect(110, 200, 780, 90, 44));
      solid(pen, roller, '#4a4745', '#191817', [110, 200], [110, 290]);
      pen.fillStyle = '#fbf8ee';
      pen.fillRect(330, 120, 340, 130);
      const body = path((p) => {
        p.moveTo(190, 280);
        p.lineTo(810, 280);
        p.lineTo(900, 820);
        p.quadraticCurveTo(500, 870, 100, 820);
        p.closePath();
      });
      solid(pen, body, dye.light, dye.dark);
      rim(pen, body, 0.5, 22);
      for (let row = 0; row < 4; row += 1)
        for (let column = 0; column < 10; column += 1) {
          const x = 196 + column * 64 + row * 10;
          const y = 520 + row * 72;
          const key = path((p) => p.arc(x, y, 25, 0, 7));
          solid(pen, key, '#f5efdd', '#b9ae92', [x - 20, y - 20], [x + 20, y + 20]);
          pen.strokeStyle = 'rgba(0,0,0,0.6)';
          pen.lineWidth = 3;
          pen.stroke(key);
        }
      pen.fillStyle = 'rgba(0,0,0,0.5)';
      pen.fillRect(330, 330, 340, 110);
      shine(pen, body, (p: Path2D) => {
        p.moveTo(210, 330);
        p.lineTo(150, 760);
      });
    },
  };
}

/** A saw with a wooden handle, or narrow a chisel. */
export function handled(dye: Dye, toothed: boolean): Subject {
  return {
    floor: 'linen',
    draw(pen) {
      pen.save();
      pen.translate(500, 500);
      pen.rotate(-0.35);
      pen.translate(-500, -500);
      const blade = path((p) => {
        if (!toothed) return p.rect(120, 462, 420, 76);
        p.moveTo(60, 470);
        p.lineTo(660, 400);
        p.lineTo(660, 600);
        p.lineTo(60, 540);
        p.closePath();
      });
      solid(pen, blade, '#dde1e4', '#858c92', [60, 400], [600, 600]);
      rim(pen, blade, 0.3, 8);
      if (toothed) {
        pen.fillStyle = '#6d7379';
        for (let x = 70; x < 650; x += 14) {
          const y = 540 + ((x - 60) / 600) * 60;
          pen.beginPath();
          pen.moveTo(x, y);
          pen.lineTo(x + 7, y + 16);
          pen.lineTo(x + 14, y + 1);
          pen.fill();
        }
      }
      const grip = path((p) =>
        toothed ? p.roundRect(640, 350, 230, 300, 90) : p.roundRect(530, 440, 380, 120, 56),
      );
      solid(pen, grip, dye.light, dye.dark, [600, 380], [880, 640]);
      weave(pen, grip, 'rgba(40,20,5,0.2)', 13, 0.1);
      if (toothed) {
        pen.save();
        pen.globalCompositeOperation = 'destination-out';
        pen.beginPath();
        pen.roundRect(706, 424, 92, 150, 44);
        pen.fill();
        pen.restore();
      } else {
        const ferrule = path((p) => p.rect(520, 446, 44, 108));
        solid(pen, ferrule, '#dbb75c', '#6e4f14', [520, 446], [520, 554]);
      }
      rim(pen, grip, 0.4, 14);
      pen.restore();
    },
  };
}

/** A model boat on its stand. */
export function floated(dye: Dye): Subject {
  return {
    floor: 'linen',
    draw(pen) {
      pen.strokeStyle = '#5b3a1e';
      pen.lineWidth = 12;
      pen.beginPath();
      pen.moveTo(500, 660);
      pen.lineTo(500, 110);
      pen.stroke();
      for (const [x, y, to] of [
        [484, 140, 220],
        [516, 190, 740],
      ] as const) {
        const sail = path((p) => {
          p.moveTo(x, y);
          p.lineTo(x, 610);
          p.lineTo(to, 610);
          p.closePath();
        });
        solid(pen, sail, '#f7f1de', '#d2c6a4');
        rim(pen, sail, 0.25, 10);
      }
      const hull = path((p) => {
        p.moveTo(150, 640);
        p.lineTo(850, 640);
        p.bezierCurveTo(800, 780, 700, 810, 500, 810);
        p.bezierCurveTo(300, 810, 200, 780, 150, 640);
        p.closePath();
      });
      solid(pen, hull, dye.light, dye.dark, [150, 640], [800, 820]);
      inside(pen, hull, () => {
        pen.fillStyle = '#f2ead2';
        pen.fillRect(150, 640, 700, 26);
      });
      rim(pen, hull, 0.45);
      const stand = path((p) => p.roundRect(340, 810, 320, 50, 10));
      solid(pen, stand, '#7d5226', '#4a2b14');
    },
  };
}

/** A card or a tin plate with a picture and words. */
export function posted(dye: Dye, title: string, tin: boolean): Subject {
  return {
    floor: tin ? 'linen' : 'boards',
    draw(pen) {
      const card = path((p) => p.roundRect(120, 250, 760, 500, tin ? 30 : 4));
      solid(pen, card, tin ? dye.light : '#f4ead0', tin ? dye.dark : '#dccda6');
      rim(pen, card, 0.35, 14);
      if (tin) {
        pen.strokeStyle = '#f3e7c6';
        pen.lineWidth = 8;
        pen.strokeRect(154, 284, 692, 432);
        pen.fillStyle = '#f3e7c6';
        words(pen, [
          [title, 'bold 84px serif', 500],
          ['SALTREACH', '40px serif', 590],
        ]);
        return;
      }
      const view = path((p) => p.rect(150, 280, 700, 380));
      solid(pen, view, '#c8dbe2', dye.light, [150, 280], [150, 660]);
      inside(pen, view, () => {
        pen.fillStyle = dye.dark;
        pen.beginPath();
        pen.moveTo(150, 560);
        pen.bezierCurveTo(320, 440, 420, 540, 560, 480);
        pen.bezierCurveTo(680, 430, 780, 520, 850, 470);
        pen.lineTo(850, 660);
        pen.lineTo(150, 660);
        pen.fill();
        pen.fillStyle = '#efe6cf';
        pen.fillRect(600, 360, 36, 140);
      });
      pen.fillStyle = '#5a4632';
      words(pen, [[title, 'italic 40px serif', 716]]);
    },
  };
}

/** Three balls of yarn. */
export function wound(dye: Dye): Subject {
  return {
    floor: floorFor(dye),
    draw(pen, _, random) {
      for (const [x, y] of [
        [350, 420],
        [650, 440],
        [500, 650],
      ] as const) {
        const ball = path((p) => p.arc(x, y, 170, 0, 7));
        solid(pen, ball, dye.light, dye.dark, [x - 120, y - 120], [x + 130, y + 130]);
        inside(pen, ball, () => {
          pen.lineWidth = 5;
          for (let i = 0; i < 34; i += 1) {
            pen.strokeStyle = i % 2 ? 'rgba(255,255,255,0.22)' : 'rgba(0,0,0,0.16)';
            pen.beginPath();
            pen.ellipse(x, y, 170, random.between(10, 160), random.next() * 3, 0, 7);
            pen.stroke();
          }
        });
        rim(pen, ball, 0.45);
      }
    },
  };
}

/** A racket in its press of gut and ash. */
export function strung(dye: Dye): Subject {
  return {
    floor: floorFor(dye),
    draw(pen) {
      const grip = path((p) => p.roundRect(470, 600, 60, 330, 16));
      solid(pen, grip, dye.light, dye.dark, [470, 600], [530, 930]);
      rim(pen, grip, 0.4, 8);
      const head = path((p) => p.ellipse(500, 360, 210, 280, 0, 0, 7));
      pen.lineWidth = 34;
      pen.strokeStyle = '#c08a52';
      pen.stroke(head);
      inside(pen, head, () => {
        pen.strokeStyle = 'rgba(240,232,205,0.95)';
        pen.lineWidth = 3;
        for (let at = 290; at < 720; at += 24) {
          pen.beginPath();
          pen.moveTo(at, 70);
          pen.lineTo(at, 650);
          pen.moveTo(280, at - 220);
          pen.lineTo(720, at - 220);
          pen.stroke();
        }
      });
      pen.lineWidth = 6;
      pen.strokeStyle = dye.dark;
      pen.stroke(head);
    },
  };
}

/** A squeeze-box: two ends with buttons, and bellows between them. */
export function squeezed(dye: Dye): Subject {
  return {
    floor: floorFor(dye),
    draw(pen) {
      const bellows = path((p) => p.roundRect(300, 300, 400, 400, 10));
      solid(pen, bellows, '#3d3a3a', '#1b1919', [300, 300], [700, 300]);
      pen.fillStyle = 'rgba(255,250,235,0.3)';
      for (let x = 310; x < 700; x += 34) pen.fillRect(x, 300, 10, 400);
      for (const x of [130, 660]) {
        const end = path((p) => p.roundRect(x, 260, 210, 480, 70));
        solid(pen, end, dye.light, dye.dark, [x, 260], [x + 210, 740]);
        rim(pen, end, 0.5);
        for (let row = 0; row < 4; row += 1)
          for (let column = 0; column < 2; column += 1) {
            pen.fillStyle = '#f4ecd6';
            pen.beginPath();
            pen.arc(x + 75 + column * 60, 370 + row * 84, 17, 0, 7);
            pen.fill();
          }
      }
    },
  };
}

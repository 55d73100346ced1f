import { BODY } from './cuts';
import {
  folds,
  inside,
  knit,
  label,
  path,
  rim,
  solid,
  stitch,
  weave,
  type Pen,
  type Subject,
} from './studio';

function upperFolds(pen: Pen): void {
  folds(pen, BODY, [
    [300, 420, 360, 300],
    [700, 420, 640, 300],
    [330, 640, 350, 840],
    [662, 600, 648, 838],
    [500, 520, 506, 760],
    [150, 640, 250, 420],
    [850, 640, 752, 420],
    [420, 300, 470, 480],
  ]);
}

/** A hand-knitted fisherman's jumper with a darned elbow. */
export const gansey: Subject = {
  floor: 'boards',
  draw(pen, side) {
    solid(pen, BODY, '#33476b', '#182440');
    knit(pen, BODY, 'rgba(150,175,220,0.22)', 9);
    // Cables and a yoke of moss stitch, as such jumpers have.
    inside(pen, BODY, () => {
      for (const x of [338, 420, 500, 580, 662]) {
        pen.strokeStyle = 'rgba(8,14,32,0.6)';
        pen.lineWidth = 5;
        for (let y = 330; y < 790; y += 34) {
          pen.beginPath();
          pen.moveTo(x - 13, y);
          pen.bezierCurveTo(x - 13, y + 17, x + 13, y + 17, x + 13, y + 34);
          pen.moveTo(x + 13, y);
          pen.bezierCurveTo(x + 13, y + 17, x - 13, y + 17, x - 13, y + 34);
          pen.stroke();
        }
      }
      pen.fillStyle = 'rgba(170,190,228,0.16)';
      for (let y = 215; y < 318; y += 9)
        for (let x = 280 + (y % 2) * 5; x < 720; x += 10) pen.fillRect(x, y, 5, 4);
      pen.fillStyle = 'rgba(6,10,24,0.35)';
      for (let x = 276; x < 724; x += 9) pen.fillRect(x, 800, 4, 60);
    });
    upperFolds(pen);
    rim(pen, BODY);
    const collar = path((p) => {
      p.moveTo(388, 172);
      p.bezierCurveTo(420, side === 'front' ? 236 : 190, 580, side === 'front' ? 236 : 190, 612, 172);
      p.bezierCurveTo(590, 130, 410, 130, 388, 172);
    });
    solid(pen, collar, '#2b3d60', '#141e36');
    rim(pen, collar, 0.5, 10);
    if (side === 'front') label(pen, 452, 148, 96, ['KITTIWAKE', 'pure wool · M'], '#28324a', '#e4dcc6');
    // The darn: a small woven patch on the elbow.
    pen.save();
    pen.translate(216, 556);
    pen.rotate(-0.32);
    pen.strokeStyle = '#5b74a8';
    pen.lineWidth = 2.4;
    for (let i = -18; i <= 18; i += 4) {
      pen.beginPath();
      pen.moveTo(i, -20);
      pen.lineTo(i, 20);
      pen.moveTo(-20, i);
      pen.lineTo(20, i);
      pen.stroke();
    }
    pen.restore();
  },
};

/** A waxed cotton chore coat. */
export const choreCoat: Subject = {
  floor: 'linen',
  draw(pen, side) {
    solid(pen, BODY, '#6b6a3c', '#3a3b1e');
    weave(pen, BODY, 'rgba(255,255,220,0.05)');
    upperFolds(pen);
    rim(pen, BODY, 0.5);
    const seam = 'rgba(222,208,140,0.75)';
    stitch(
      pen,
      (p) => {
        p.moveTo(252, 240);
        p.bezierCurveTo(286, 300, 300, 380, 288, 440);
      },
      seam,
    );
    stitch(
      pen,
      (p) => {
        p.moveTo(748, 240);
        p.bezierCurveTo(714, 300, 700, 380, 712, 440);
      },
      seam,
    );
    stitch(
      pen,
      (p) => {
        p.moveTo(284, 826);
        p.bezierCurveTo(400, 846, 600, 846, 716, 826);
      },
      seam,
    );
    if (side === 'front') {
      pen.fillStyle = 'rgba(20,20,6,0.55)';
      pen.fillRect(497, 200, 5, 652);
      for (const [x, y, w, h] of [
        [318, 560, 140, 150],
        [542, 560, 140, 150],
        [548, 320, 116, 110],
      ] as const) {
        const pocket = path((p) => p.roundRect(x, y, w, h, [4, 4, 22, 22]));
        solid(pen, pocket, '#72713f', '#484a26');
        rim(pen, pocket, 0.45, 9);
        stitch(pen, (p) => p.roundRect(x + 7, y + 7, w - 14, h - 14, [3, 3, 18, 18]), seam);
      }
      for (const y of [286, 396, 506, 616, 726]) {
        pen.fillStyle = '#2c2310';
        pen.beginPath();
        pen.arc(520, y, 11, 0, 7);
        pen.fill();
        pen.fillStyle = 'rgba(255,240,190,0.5)';
        pen.beginPath();
        pen.arc(516, y - 4, 3.4, 0, 7);
        pen.fill();
      }
    }
    const collar = path((p) => {
      p.moveTo(380, 164);
      p.lineTo(352, 268);
      p.lineTo(497, 230);
      p.lineTo(648, 268);
      p.lineTo(620, 164);
      p.bezierCurveTo(560, 140, 440, 140, 380, 164);
    });
    solid(pen, collar, '#5b4423', '#33250f');
    rim(pen, collar, 0.5, 12);
    if (side === 'front') label(pen, 440, 160, 120, ['OSTLER', 'chore coat · L'], '#f0e6c8', '#2e3a24');
  },
};

/** Wide corduroy trousers. */
export const cords: Subject = {
  floor: 'plaster',
  draw(pen, side) {
    const legs = path((p) => {
      p.moveTo(338, 110);
      p.lineTo(662, 110);
      p.bezierCurveTo(690, 340, 716, 640, 728, 900);
      p.lineTo(548, 908);
      p.bezierCurveTo(540, 700, 520, 480, 500, 392);
      p.bezierCurveTo(480, 480, 460, 700, 452, 908);
      p.lineTo(272, 900);
      p.bezierCurveTo(284, 640, 310, 340, 338, 110);
      p.closePath();
    });
    solid(pen, legs, '#a4683a', '#6a3b1c');
    inside(pen, legs, () => {
      for (let x = 250; x < 750; x += 8) {
        pen.fillStyle = 'rgba(255,220,180,0.10)';
        pen.fillRect(x, 100, 3.5, 820);
        pen.fillStyle = 'rgba(40,16,4,0.22)';
        pen.fillRect(x + 4.5, 100, 2.5, 820);
      }
    });
    folds(pen, legs, [
      [380, 420, 340, 560],
      [620, 420, 668, 560],
      [400, 640, 380, 880],
      [604, 640, 636, 880],
      [460, 320, 500, 400],
    ]);
    rim(pen, legs, 0.45);
    const band = path((p) => p.rect(335, 106, 330, 42));
    solid(pen, band, '#94592f', '#6a3b1c');
    rim(pen, band, 0.4, 8);
    pen.fillStyle = '#7a4822';
    for (const x of [372, 452, 548, 628]) pen.fillRect(x - 8, 98, 16, 58);
    if (side === 'front') {
      pen.fillStyle = '#3a2814';
      pen.beginPath();
      pen.arc(500, 127, 11, 0, 7);
      pen.fill();
      stitch(
        pen,
        (p) => {
          p.moveTo(512, 150);
          p.bezierCurveTo(528, 260, 524, 320, 504, 376);
        },
        'rgba(255,226,190,0.6)',
      );
    } else {
      for (const x of [356, 536]) {
        const pocket = path((p) => p.roundRect(x, 210, 108, 112, [2, 2, 26, 26]));
        solid(pen, pocket, '#a1653a', '#7c4824');
        rim(pen, pocket, 0.4, 7);
      }
      label(pen, 440, 158, 120, ['MARROW & PIKE', 'W32 L31'], '#f4ead2', '#4a2c16');
    }
  },
};

/** A silk headscarf, laid out square. */
export const headscarf: Subject = {
  floor: 'plaster',
  draw(pen, side) {
    const silk = path((p) => {
      p.moveTo(122, 140);
      p.bezierCurveTo(380, 118, 640, 132, 884, 122);
      p.bezierCurveTo(872, 380, 890, 640, 876, 880);
      p.bezierCurveTo(620, 868, 380, 890, 128, 876);
      p.bezierCurveTo(140, 640, 112, 380, 122, 140);
      p.closePath();
    });
    solid(pen, silk, '#f0e0bd', '#d8bd8c');
    inside(pen, silk, () => {
      pen.strokeStyle = '#8d2f3c';
      pen.lineWidth = 58;
      pen.stroke(silk);
      pen.strokeStyle = '#2f5560';
      pen.lineWidth = 7;
      pen.strokeRect(196, 196, 608, 608);
      const flower = (x: number, y: number, r: number, petal: string) => {
        for (let i = 0; i < 8; i += 1) {
          pen.save();
          pen.translate(x, y);
          pen.rotate((i * Math.PI) / 4);
          pen.fillStyle = petal;
          pen.beginPath();
          pen.ellipse(r * 0.62, 0, r * 0.5, r * 0.25, 0, 0, 7);
          pen.fill();
          pen.restore();
        }
        pen.fillStyle = '#e0a53a';
        pen.beginPath();
        pen.arc(x, y, r * 0.3, 0, 7);
        pen.fill();
      };
      flower(500, 500, 142, '#8d2f3c');
      for (let i = 0; i < 10; i += 1) {
        const a = (i / 10) * Math.PI * 2;
        flower(500 + Math.cos(a) * 232, 500 + Math.sin(a) * 232, 58, i % 2 ? '#2f5560' : '#c4612f');
        pen.strokeStyle = '#4f6b3a';
        pen.lineWidth = 5;
        pen.beginPath();
        pen.arc(500, 500, 292, a + 0.14, a + 0.5);
        pen.stroke();
      }
      if (side === 'back') {
        pen.fillStyle = 'rgba(250,240,220,0.5)';
        pen.fillRect(0, 0, 1000, 1000);
      }
    });
    folds(
      pen,
      silk,
      [
        [180, 300, 820, 690],
        [300, 180, 420, 840],
        [700, 160, 640, 860],
      ],
      0.16,
    );
    rim(pen, silk, 0.25, 10);
  },
};

/** A striped wool blanket, folded. */
export const blanket: Subject = {
  floor: 'boards',
  draw(pen) {
    for (const [x, y, w, h, light, dark] of [
      [150, 250, 700, 560, '#d9cba8', '#b39f74'],
      [136, 214, 712, 300, '#e4d8b8', '#c3b086'],
    ] as const) {
      const fold = path((p) => p.roundRect(x, y, w, h, [30, 34, 16, 16]));
      solid(pen, fold, light, dark);
      inside(pen, fold, () => {
        for (const [sy, sh, ink] of [
          [40, 46, '#7c3b2c'],
          [98, 14, '#3c5344'],
          [124, 46, '#3c5344'],
          [182, 14, '#7c3b2c'],
        ] as const) {
          pen.fillStyle = ink;
          pen.globalAlpha = 0.82;
          pen.fillRect(x, y + sy, w, sh);
          pen.globalAlpha = 1;
        }
      });
      weave(pen, fold, 'rgba(60,40,10,0.09)', 6);
      weave(pen, fold, 'rgba(255,255,255,0.10)', 6, -0.6);
      folds(
        pen,
        fold,
        [
          [220, y + 70, 420, y + h - 30],
          [600, y + 40, 730, y + h - 60],
        ],
        0.14,
      );
      rim(pen, fold, 0.45, 22);
    }
    pen.strokeStyle = '#cbb98f';
    pen.lineWidth = 5;
    for (let x = 158; x < 846; x += 13) {
      pen.beginPath();
      pen.moveTo(x, 806);
      pen.quadraticCurveTo(x + 4, 832, x + ((x * 7) % 9) - 4, 848);
      pen.stroke();
    }
    label(pen, 690, 420, 112, ['DRUMLIN MILL', 'pure new wool'], '#3c5344', '#f1e9d4');
  },
};

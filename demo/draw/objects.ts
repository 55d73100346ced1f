import {
  folds,
  inside,
  label,
  path,
  rim,
  shine,
  solid,
  stitch,
  weave,
  type Path2D,
  type Pen,
  type Subject,
} from './studio';

function sole(pen: Pen): void {
  const outline = path((p) => {
    p.moveTo(232, 690);
    p.bezierCurveTo(380, 716, 620, 716, 800, 690);
    p.bezierCurveTo(834, 700, 838, 752, 806, 760);
    p.lineTo(246, 760);
    p.bezierCurveTo(220, 752, 216, 706, 232, 690);
    p.closePath();
  });
  solid(pen, outline, '#3d3a36', '#1f1d1b');
  for (let x = 250; x < 800; x += 34) {
    pen.fillStyle = '#151413';
    pen.fillRect(x, 744, 18, 20);
  }
}

function upper(pen: Pen): void {
  const outline = path((p) => {
    p.moveTo(250, 322);
    p.bezierCurveTo(320, 300, 430, 300, 486, 326);
    p.bezierCurveTo(500, 420, 520, 478, 590, 520);
    p.bezierCurveTo(690, 556, 800, 586, 812, 690);
    p.bezierCurveTo(640, 722, 400, 722, 236, 694);
    p.bezierCurveTo(226, 560, 262, 440, 250, 322);
    p.closePath();
  });
  solid(pen, outline, '#8a5a33', '#4a2b14', [300, 300], [760, 740]);
  folds(
    pen,
    outline,
    [
      [520, 520, 470, 600],
      [560, 540, 520, 640],
      [300, 460, 420, 480],
    ],
    0.3,
  );
  shine(
    pen,
    outline,
    (p) => {
      p.moveTo(650, 590);
      p.quadraticCurveTo(740, 600, 780, 650);
    },
    0.34,
    22,
  );
  rim(pen, outline, 0.55);
}

function seams(pen: Pen): void {
  stitch(
    pen,
    (p) => {
      p.moveTo(240, 668);
      p.bezierCurveTo(400, 696, 640, 696, 806, 668);
    },
    '#e6c48c',
    3,
  );
  stitch(
    pen,
    (p) => {
      p.moveTo(330, 320);
      p.bezierCurveTo(352, 440, 330, 560, 320, 684);
    },
    'rgba(230,196,140,0.7)',
  );
}

function tongueAndLaces(pen: Pen): void {
  const tongue = path((p) => {
    p.moveTo(430, 306);
    p.bezierCurveTo(470, 280, 520, 286, 528, 312);
    p.lineTo(520, 420);
    p.lineTo(486, 330);
    p.closePath();
  });
  solid(pen, tongue, '#6b4322', '#3a2210');
  for (let i = 0; i < 6; i += 1) {
    const x = 474 + i * 17;
    const y = 344 + i * 33;
    pen.strokeStyle = i % 2 ? '#b5322a' : '#c64a3c';
    pen.lineWidth = 8;
    pen.beginPath();
    pen.moveTo(x - 46, y + 8);
    pen.quadraticCurveTo(x - 10, y - 10, x + 22, y + 4);
    pen.stroke();
    pen.fillStyle = '#caa24a';
    pen.beginPath();
    pen.arc(x - 48, y + 9, 7, 0, 7);
    pen.fill();
  }
}

function boot(pen: Pen, dx: number, dy: number, mirror: boolean): void {
  pen.save();
  pen.translate(dx, dy);
  if (mirror) {
    pen.translate(1000, 0);
    pen.scale(-1, 1);
  }
  sole(pen);
  upper(pen);
  seams(pen);
  tongueAndLaces(pen);
  pen.restore();
}

/** Stout walking boots, a pair seen from the side and a little above. */
export const boots: Subject = {
  floor: 'slate',
  draw(pen, side) {
    if (side === 'back') {
      boot(pen, 40, -100, true);
      boot(pen, -60, 90, true);
    } else {
      boot(pen, -40, -100, false);
      boot(pen, 60, 90, false);
    }
  },
};

/** A leather satchel with two straps. */
export const satchel: Subject = {
  floor: 'linen',
  draw(pen, side) {
    pen.strokeStyle = '#4f2c13';
    pen.lineWidth = 30;
    pen.beginPath();
    pen.moveTo(230, 400);
    pen.bezierCurveTo(200, 60, 800, 60, 770, 400);
    pen.stroke();
    const body = path((p) => p.roundRect(160, 330, 680, 500, [26, 26, 60, 60]));
    solid(pen, body, '#9a5c2c', '#55300f');
    rim(pen, body, 0.5, 26);
    stitch(pen, (p) => p.roundRect(180, 350, 640, 460, [18, 18, 48, 48]), '#ecd0a0', 3);
    if (side === 'back') {
      const slot = path((p) => p.roundRect(260, 480, 480, 250, 14));
      solid(pen, slot, '#8e5427', '#5e3612');
      rim(pen, slot, 0.5, 10);
      stitch(pen, (p) => p.roundRect(272, 492, 456, 226, 10), '#ecd0a0', 2.5);
      return;
    }
    const flap = path((p) => {
      p.moveTo(150, 330);
      p.lineTo(850, 330);
      p.bezierCurveTo(856, 470, 850, 560, 820, 610);
      p.bezierCurveTo(640, 650, 360, 650, 180, 610);
      p.bezierCurveTo(150, 560, 144, 470, 150, 330);
      p.closePath();
    });
    solid(pen, flap, '#ad6a35', '#6f4019');
    folds(
      pen,
      flap,
      [
        [260, 380, 420, 600],
        [660, 370, 760, 560],
      ],
      0.16,
    );
    shine(
      pen,
      flap,
      (p) => {
        p.moveTo(240, 372);
        p.lineTo(620, 366);
      },
      0.3,
      24,
    );
    rim(pen, flap, 0.45);
    stitch(
      pen,
      (p) => {
        p.moveTo(170, 350);
        p.bezierCurveTo(166, 500, 170, 560, 196, 594);
        p.bezierCurveTo(360, 630, 640, 630, 804, 594);
        p.bezierCurveTo(830, 560, 834, 500, 830, 350);
      },
      '#ecd0a0',
      3,
    );
    for (const x of [318, 646]) {
      const strap = path((p) => p.roundRect(x - 24, 470, 56, 250, 10));
      solid(pen, strap, '#7a471d', '#4c2a0e');
      rim(pen, strap, 0.5, 8);
      pen.strokeStyle = '#c9a552';
      pen.lineWidth = 9;
      pen.strokeRect(x - 32, 590, 72, 54);
      pen.strokeStyle = 'rgba(255,246,210,0.8)';
      pen.lineWidth = 2;
      pen.strokeRect(x - 30, 592, 68, 50);
      pen.fillStyle = '#c9a552';
      pen.fillRect(x, 588, 8, 60);
    }
    label(pen, 440, 400, 120, ['VANTRELL'], '#f2dcae', '#5a3413');
  },
};

/** A brass ship's lamp with a handle. */
export const lamp: Subject = {
  floor: 'slate',
  draw(pen) {
    pen.strokeStyle = '#a87b2a';
    pen.lineWidth = 17;
    pen.beginPath();
    pen.moveTo(330, 330);
    pen.bezierCurveTo(280, 20, 720, 20, 670, 330);
    pen.stroke();
    lampTop(pen);
    lampGlass(pen);
    lampFoot(pen);
  },
};

/** Turned brass between two edges. */
function brass(pen: Pen, p: Path2D, x1: number, x2: number): void {
  const g = pen.createLinearGradient(x1, 0, x2, 0);
  for (const [at, ink] of [
    [0, '#6b4a12'],
    [0.18, '#d8ac4c'],
    [0.3, '#fff0b8'],
    [0.45, '#cf9d3d'],
    [0.75, '#8f6520'],
    [1, '#4f360c'],
  ] as const)
    g.addColorStop(at, ink);
  pen.fillStyle = g;
  pen.fill(p);
  rim(pen, p, 0.35, 10);
}

function lampTop(pen: Pen): void {
  brass(
    pen,
    path((p) => {
      p.moveTo(430, 160);
      p.lineTo(570, 160);
      p.lineTo(590, 220);
      p.lineTo(410, 220);
      p.closePath();
    }),
    410,
    590,
  );
  brass(
    pen,
    path((p) => {
      p.moveTo(400, 220);
      p.lineTo(600, 220);
      p.bezierCurveTo(680, 260, 700, 300, 704, 330);
      p.lineTo(296, 330);
      p.bezierCurveTo(300, 300, 320, 260, 400, 220);
      p.closePath();
    }),
    296,
    704,
  );
}

function lampGlass(pen: Pen): void {
  const glass = path((p) => {
    p.moveTo(322, 330);
    p.bezierCurveTo(270, 420, 270, 560, 322, 650);
    p.lineTo(678, 650);
    p.bezierCurveTo(730, 560, 730, 420, 678, 330);
    p.closePath();
  });
  const g = pen.createLinearGradient(270, 0, 730, 0);
  g.addColorStop(0, 'rgba(150,176,170,0.85)');
  g.addColorStop(0.4, 'rgba(232,240,226,0.55)');
  g.addColorStop(1, 'rgba(96,120,118,0.9)');
  pen.fillStyle = g;
  pen.fill(glass);
  inside(pen, glass, () => {
    for (let y = 340; y < 650; y += 20) {
      pen.fillStyle = 'rgba(255,255,255,0.13)';
      pen.fillRect(250, y, 500, 8);
    }
    pen.fillStyle = '#7a5a20';
    pen.fillRect(462, 560, 76, 90);
    pen.fillStyle = '#efe7d6';
    pen.fillRect(488, 520, 24, 44);
  });
  shine(
    pen,
    glass,
    (p) => {
      p.moveTo(350, 380);
      p.quadraticCurveTo(316, 490, 350, 600);
    },
    0.75,
    20,
  );
}

function lampFoot(pen: Pen): void {
  for (const x of [340, 500, 660])
    brass(
      pen,
      path((p) => p.rect(x - 8, 326, 16, 330)),
      x - 8,
      x + 8,
    );
  brass(
    pen,
    path((p) => p.roundRect(280, 644, 440, 40, 8)),
    280,
    720,
  );
  brass(
    pen,
    path((p) => {
      p.moveTo(300, 684);
      p.lineTo(700, 684);
      p.lineTo(740, 860);
      p.lineTo(260, 860);
      p.closePath();
    }),
    260,
    740,
  );
  brass(
    pen,
    path((p) => p.roundRect(236, 852, 528, 44, 12)),
    236,
    764,
  );
  pen.fillStyle = '#3c290a';
  pen.font = 'bold 26px serif';
  pen.textAlign = 'center';
  pen.fillText('HOBLEY LAMP WORKS', 500, 770);
  pen.font = '19px serif';
  pen.fillText('PORT · No. 7', 500, 804);
  pen.textAlign = 'left';
  // A dent in the base.
  pen.filter = 'blur(6px)';
  pen.fillStyle = 'rgba(40,24,4,0.5)';
  pen.beginPath();
  pen.ellipse(644, 800, 34, 17, 0.4, 0, 7);
  pen.fill();
  pen.filter = 'none';
}

/** An enamel coffee pot with chips. */
export const coffeePot: Subject = {
  floor: 'linen',
  draw(pen, side) {
    if (side === 'back') {
      pen.translate(1000, 0);
      pen.scale(-1, 1);
    }
    pen.strokeStyle = '#27364d';
    pen.lineWidth = 34;
    pen.beginPath();
    pen.moveTo(700, 350);
    pen.bezierCurveTo(880, 340, 890, 640, 716, 680);
    pen.stroke();
    const spout = path((p) => {
      p.moveTo(330, 560);
      p.bezierCurveTo(250, 520, 220, 400, 150, 340);
      p.lineTo(196, 312);
      p.bezierCurveTo(280, 360, 320, 420, 350, 440);
      p.closePath();
    });
    solid(pen, spout, '#7d9cc4', '#334f78');
    rim(pen, spout, 0.4, 10);
    const pot = path((p) => {
      p.moveTo(370, 270);
      p.lineTo(640, 270);
      p.bezierCurveTo(690, 480, 750, 660, 744, 820);
      p.bezierCurveTo(620, 860, 390, 860, 266, 820);
      p.bezierCurveTo(260, 660, 320, 480, 370, 270);
      p.closePath();
    });
    solid(pen, pot, '#8fb0d8', '#35527d', [300, 400], [760, 640]);
    inside(pen, pot, () => {
      for (let i = 0; i < 260; i += 1) {
        const x = 250 + ((i * 137) % 510);
        const y = 270 + ((i * 89) % 580);
        pen.fillStyle = `rgba(240,246,255,${0.12 + ((i * 31) % 20) / 100})`;
        pen.beginPath();
        pen.arc(x, y, 2 + (i % 4), 0, 7);
        pen.fill();
      }
    });
    shine(
      pen,
      pot,
      (p) => {
        p.moveTo(396, 340);
        p.bezierCurveTo(350, 520, 326, 660, 330, 780);
      },
      0.6,
      30,
    );
    rim(pen, pot, 0.4, 18);
    pen.strokeStyle = '#22304a';
    pen.lineWidth = 13;
    pen.beginPath();
    pen.moveTo(266, 820);
    pen.bezierCurveTo(390, 860, 620, 860, 744, 820);
    pen.stroke();
    const lid = path((p) => {
      p.moveTo(360, 276);
      p.bezierCurveTo(390, 196, 620, 196, 650, 276);
      p.closePath();
    });
    solid(pen, lid, '#9dbbe0', '#3d5c88');
    rim(pen, lid, 0.4, 10);
    pen.fillStyle = '#22304a';
    pen.beginPath();
    pen.arc(505, 196, 26, 0, 7);
    pen.fill();
    chips(pen);
  },
};

function chips(pen: Pen): void {
  for (const [x, y, r] of [
    [330, 806, 19],
    [420, 842, 13],
    [716, 470, 10],
  ] as const) {
    pen.fillStyle = '#20262e';
    pen.beginPath();
    pen.ellipse(x, y, r * 1.4, r * 0.8, 0.4, 0, 7);
    pen.fill();
    pen.strokeStyle = '#8a5a34';
    pen.lineWidth = 2.5;
    pen.stroke();
  }
}

/** A carpenter's plane. */
export const handPlane: Subject = {
  floor: 'boards',
  draw(pen, side) {
    if (side === 'back') {
      pen.translate(1000, 0);
      pen.scale(-1, 1);
    }
    const body = path((p) => p.roundRect(90, 590, 820, 100, [14, 22, 6, 6]));
    solid(pen, body, '#8c9298', '#454a50', [100, 560], [300, 720]);
    shine(
      pen,
      body,
      (p) => {
        p.moveTo(120, 610);
        p.lineTo(860, 608);
      },
      0.6,
      9,
    );
    rim(pen, body, 0.5, 10);
    const cheek = path((p) => {
      p.moveTo(290, 592);
      p.bezierCurveTo(360, 500, 520, 500, 640, 592);
      p.closePath();
    });
    solid(pen, cheek, '#7c8288', '#4d5257');
    rim(pen, cheek, 0.5, 9);
    const wood = (p: Path2D) => {
      solid(pen, p, '#a5622e', '#57300f', [300, 300], [760, 620]);
      weave(pen, p, 'rgba(50,22,4,0.2)', 9, 0.12);
      rim(pen, p, 0.5, 12);
    };
    wood(
      path((p) => {
        p.moveTo(600, 592);
        p.bezierCurveTo(600, 470, 640, 430, 600, 330);
        p.bezierCurveTo(640, 300, 720, 310, 740, 350);
        p.bezierCurveTo(700, 420, 760, 500, 820, 592);
        p.closePath();
      }),
    );
    wood(
      path((p) => {
        p.moveTo(176, 592);
        p.bezierCurveTo(206, 540, 150, 520, 158, 468);
        p.bezierCurveTo(170, 410, 260, 410, 272, 468);
        p.bezierCurveTo(280, 520, 226, 540, 254, 592);
        p.closePath();
      }),
    );
    pen.save();
    pen.translate(470, 592);
    pen.rotate(-0.72);
    const iron = path((p) => p.roundRect(0, -26, 330, 30, 5));
    solid(pen, iron, '#c9ced2', '#7b8187', [0, -26], [330, 10]);
    rim(pen, iron, 0.4, 6);
    pen.restore();
    pen.fillStyle = '#b58a34';
    pen.beginPath();
    pen.arc(566, 486, 30, 0, 7);
    pen.fill();
    pen.strokeStyle = '#7a5a1c';
    pen.lineWidth = 4;
    pen.stroke();
    pen.fillStyle = '#2e3338';
    pen.font = 'bold 26px serif';
    pen.fillText('VANTRELL No. 4', 330, 660);
    pen.fillStyle = 'rgba(150,78,30,0.55)';
    for (const [x, y, r] of [
      [800, 640, 22],
      [838, 660, 14],
      [772, 668, 11],
      [140, 650, 14],
    ] as const) {
      pen.beginPath();
      pen.ellipse(x, y, r, r * 0.6, 0.3, 0, 7);
      pen.fill();
    }
  },
};

/** A folding plate camera, opened. */
export const camera: Subject = {
  floor: 'plaster',
  draw(pen, side) {
    const leather = (p: Path2D) => {
      solid(pen, p, '#3f3b39', '#171514');
      inside(pen, p, () => {
        for (let i = 0; i < 1500; i += 1) {
          pen.fillStyle = `rgba(255,255,255,${((i * 13) % 7) / 130})`;
          pen.fillRect((i * 173) % 1000, (i * 211) % 1000, 3, 2);
        }
      });
      rim(pen, p, 0.6, 14);
    };
    const back = path((p) => p.roundRect(230, 120, 540, 640, 24));
    leather(back);
    pen.strokeStyle = '#b9bcc0';
    pen.lineWidth = 8;
    pen.stroke(back);
    if (side === 'back') {
      const screen = path((p) => p.roundRect(290, 190, 420, 500, 8));
      solid(pen, screen, '#9fb0b4', '#5d6c72');
      rim(pen, screen, 0.5, 16);
      return;
    }
    const bed = path((p) => {
      p.moveTo(250, 750);
      p.lineTo(750, 750);
      p.lineTo(790, 880);
      p.lineTo(210, 880);
      p.closePath();
    });
    leather(bed);
    pen.fillStyle = '#b9bcc0';
    pen.fillRect(330, 752, 14, 124);
    pen.fillRect(656, 752, 14, 124);
    for (let i = 0; i < 8; i += 1) {
      const inset = i * 17;
      const fold = path((p) => p.rect(286 + inset, 196 + inset, 428 - inset * 2, 470 - inset * 2));
      solid(pen, fold, i % 2 ? '#5c2626' : '#7a3535', i % 2 ? '#2c1010' : '#451a1a');
      rim(pen, fold, 0.4, 6);
    }
    const standard = path((p) => p.roundRect(390, 300, 220, 270, 12));
    solid(pen, standard, '#d3d6d8', '#7d8285');
    rim(pen, standard, 0.4, 8);
    for (const [r, ink] of [
      [92, '#1d1d1f'],
      [78, '#8f9396'],
      [64, '#141416'],
      [48, '#24303f'],
    ] as const) {
      pen.fillStyle = ink;
      pen.beginPath();
      pen.arc(500, 420, r, 0, 7);
      pen.fill();
    }
    const gleam = pen.createRadialGradient(482, 400, 4, 500, 420, 48);
    gleam.addColorStop(0, 'rgba(220,236,255,0.95)');
    gleam.addColorStop(0.35, 'rgba(120,150,190,0.45)');
    gleam.addColorStop(1, 'rgba(20,26,40,0)');
    pen.fillStyle = gleam;
    pen.fillRect(440, 360, 120, 120);
    pen.fillStyle = '#222';
    pen.font = 'bold 20px serif';
    pen.textAlign = 'center';
    pen.fillText('VANTRELL', 500, 552);
    pen.textAlign = 'left';
  },
};

/** Opera glasses with mother-of-pearl barrels. */
export const operaGlasses: Subject = {
  floor: 'slate',
  draw(pen) {
    const barrel = (x: number) => {
      const tube = path((p) => {
        p.moveTo(x - 110, 300);
        p.lineTo(x + 110, 300);
        p.lineTo(x + 150, 720);
        p.lineTo(x - 150, 720);
        p.closePath();
      });
      const g = pen.createLinearGradient(x - 140, 0, x + 140, 0);
      for (const [at, ink] of [
        [0, '#8e8478'],
        [0.25, '#f4ecdf'],
        [0.45, '#e2e6e4'],
        [0.6, '#f3dfe0'],
        [0.8, '#cfd6cc'],
        [1, '#7d746a'],
      ] as const)
        g.addColorStop(at, ink);
      pen.fillStyle = g;
      pen.fill(tube);
      inside(pen, tube, () => {
        for (let i = -150; i <= 150; i += 50) {
          pen.strokeStyle = 'rgba(90,80,70,0.45)';
          pen.lineWidth = 3;
          pen.beginPath();
          pen.moveTo(x + i * 0.75, 300);
          pen.lineTo(x + i, 720);
          pen.stroke();
        }
      });
      rim(pen, tube, 0.3, 12);
      for (const [y, w, h] of [
        [268, 236, 44],
        [700, 316, 60],
      ] as const) {
        const ring = path((p) => p.roundRect(x - w / 2, y, w, h, 10));
        solid(pen, ring, '#e7c56a', '#7c5a1a', [x - w / 2, y], [x + w / 2, y + h]);
        rim(pen, ring, 0.4, 8);
      }
      pen.fillStyle = '#1b2530';
      pen.beginPath();
      pen.ellipse(x, 752, 128, 22, 0, 0, 7);
      pen.fill();
      const eye = path((p) => p.roundRect(x - 84, 216, 168, 56, 14));
      solid(pen, eye, '#3a3430', '#141210');
      rim(pen, eye, 0.5, 8);
    };
    barrel(310);
    barrel(690);
    const bridge = path((p) => p.roundRect(400, 396, 200, 40, 12));
    solid(pen, bridge, '#e7c56a', '#8a6620');
    rim(pen, bridge, 0.4, 8);
    const wheel = path((p) => p.roundRect(462, 330, 76, 172, 18));
    solid(pen, wheel, '#d9b458', '#6e4f14', [462, 330], [538, 330]);
    inside(pen, wheel, () => {
      pen.fillStyle = 'rgba(60,40,6,0.5)';
      for (let y = 334; y < 500; y += 9) pen.fillRect(460, y, 80, 3);
    });
  },
};

/** A pressed-glass vase; two of them differ only by where they are stored. */
export const vase: Subject = {
  floor: 'linen',
  draw(pen) {
    const glass = path((p) => {
      p.moveTo(330, 150);
      p.bezierCurveTo(400, 176, 600, 176, 670, 150);
      p.bezierCurveTo(640, 330, 560, 400, 580, 520);
      p.bezierCurveTo(600, 660, 690, 720, 680, 850);
      p.bezierCurveTo(600, 886, 400, 886, 320, 850);
      p.bezierCurveTo(310, 720, 400, 660, 420, 520);
      p.bezierCurveTo(440, 400, 360, 330, 330, 150);
      p.closePath();
    });
    const g = pen.createLinearGradient(300, 0, 700, 0);
    g.addColorStop(0, 'rgba(64,120,92,0.95)');
    g.addColorStop(0.35, 'rgba(190,228,198,0.75)');
    g.addColorStop(0.65, 'rgba(120,176,140,0.8)');
    g.addColorStop(1, 'rgba(40,88,66,0.97)');
    pen.fillStyle = g;
    pen.fill(glass);
    inside(pen, glass, () => {
      pen.lineWidth = 3;
      for (let i = -6; i < 18; i += 1)
        for (const s of [1, -1]) {
          pen.strokeStyle = s > 0 ? 'rgba(240,255,244,0.5)' : 'rgba(16,56,40,0.4)';
          pen.beginPath();
          pen.moveTo(300, 420 + i * 32);
          pen.lineTo(700, 420 + i * 32 + s * 150);
          pen.stroke();
        }
    });
    shine(
      pen,
      glass,
      (p) => {
        p.moveTo(372, 210);
        p.bezierCurveTo(430, 380, 400, 620, 360, 820);
      },
      0.85,
      18,
    );
    shine(
      pen,
      glass,
      (p) => {
        p.moveTo(640, 230);
        p.bezierCurveTo(590, 400, 600, 600, 650, 800);
      },
      0.4,
      12,
    );
    rim(pen, glass, 0.4, 16);
    pen.strokeStyle = 'rgba(230,255,238,0.9)';
    pen.lineWidth = 5;
    pen.beginPath();
    pen.ellipse(500, 154, 170, 22, 0, 0, 7);
    pen.stroke();
  },
};

/** An enamel tray with a blue rim and a chip or two. */
export const tray: Subject = {
  floor: 'boards',
  draw(pen, side, random) {
    const outer = path((p) => p.roundRect(120, 250, 760, 520, 90));
    solid(pen, outer, '#2f568c', '#1d3a63');
    const bed = path((p) => p.roundRect(160, 290, 680, 440, 66));
    solid(pen, bed, '#f4f1e6', '#d9d4c2');
    inside(pen, bed, () => {
      pen.fillStyle = side === 'back' ? 'rgba(40,60,90,0.5)' : 'rgba(47,86,140,0.45)';
      for (let i = 0; i < 420; i += 1) {
        pen.beginPath();
        pen.arc(160 + random.between(0, 680), 290 + random.between(0, 440), random.between(1.5, 4.5), 0, 7);
        pen.fill();
      }
    });
    for (const [x, y, r] of [
      [872, 420, 13],
      [180, 742, 9],
    ] as const) {
      pen.fillStyle = '#2a2522';
      pen.beginPath();
      pen.ellipse(x, y, r, r * 0.7, 0.5, 0, 7);
      pen.fill();
    }
    shine(
      pen,
      bed,
      (p) => {
        p.moveTo(240, 330);
        p.bezierCurveTo(420, 310, 620, 318, 760, 350);
      },
      0.7,
      16,
    );
    rim(pen, outer, 0.45, 18);
    rim(pen, bed, 0.3, 10);
  },
};

/** A field guide in a worn cloth binding. */
export const fieldGuide: Subject = {
  floor: 'boards',
  draw(pen, side) {
    const pages = path((p) => p.roundRect(250, 128, 530, 756, 6));
    solid(pen, pages, '#efe6cf', '#cdbf9e');
    const cover = path((p) => p.roundRect(230, 116, 536, 770, [6, 12, 12, 6]));
    solid(pen, cover, '#49684f', '#27402f');
    weave(pen, cover, 'rgba(255,255,255,0.06)', 5);
    weave(pen, cover, 'rgba(0,0,0,0.10)', 5, -0.6);
    rim(pen, cover, 0.4, 18);
    pen.fillStyle = 'rgba(10,24,14,0.5)';
    pen.fillRect(262, 118, 6, 766);
    if (side === 'back') return;
    pen.textAlign = 'center';
    pen.fillStyle = '#e2c98a';
    pen.font = 'bold 58px serif';
    pen.fillText('SEABIRDS', 512, 262);
    pen.font = '36px serif';
    pen.fillText('of the Northern Coasts', 512, 316, 430);
    pen.strokeStyle = '#e2c98a';
    pen.lineWidth = 3;
    pen.strokeRect(304, 160, 414, 680);
    // A gull over two waves.
    pen.lineWidth = 9;
    pen.lineCap = 'round';
    pen.beginPath();
    pen.moveTo(374, 540);
    pen.quadraticCurveTo(440, 450, 512, 520);
    pen.quadraticCurveTo(584, 450, 650, 540);
    for (const y of [620, 660]) {
      pen.moveTo(374, y);
      for (let x = 374; x < 640; x += 68) pen.quadraticCurveTo(x + 34, y - 32, x + 68, y);
    }
    pen.stroke();
    pen.font = '30px serif';
    pen.fillText('E. Farrowdale', 512, 752);
    pen.font = '22px serif';
    pen.fillText('DRUMLIN PRESS', 512, 806);
    pen.textAlign = 'left';
  },
};

/** A wooden jigsaw in its box, a few pieces beside it. */
export const jigsaw: Subject = {
  floor: 'linen',
  draw(pen: Pen) {
    const box = path((p) => p.roundRect(130, 150, 640, 500, 10));
    solid(pen, box, '#e9d7ae', '#cbb27c');
    inside(pen, box, () => {
      pen.fillStyle = '#8fb6c8';
      pen.fillRect(160, 180, 580, 300);
      pen.fillStyle = '#5f8a5a';
      pen.beginPath();
      pen.moveTo(160, 400);
      pen.bezierCurveTo(300, 300, 420, 420, 540, 350);
      pen.bezierCurveTo(620, 310, 700, 380, 740, 360);
      pen.lineTo(740, 480);
      pen.lineTo(160, 480);
      pen.fill();
      pen.fillStyle = '#b3452f';
      pen.fillRect(392, 300, 104, 84);
      pen.beginPath();
      pen.moveTo(380, 302);
      pen.lineTo(444, 248);
      pen.lineTo(508, 302);
      pen.fill();
      pen.fillStyle = '#f6e7b4';
      for (const x of [412, 458]) pen.fillRect(x, 326, 20, 26);
    });
    rim(pen, box, 0.4, 16);
    pen.fillStyle = '#5a2f1a';
    pen.textAlign = 'center';
    pen.font = 'bold 40px serif';
    pen.fillText('The Harbour Mill', 450, 546);
    pen.font = '25px serif';
    pen.fillText('wooden jigsaw puzzle · 250 pieces', 450, 592);
    pen.textAlign = 'left';
    const piece = (x: number, y: number, turn: number, ink: string, dark: string) => {
      pen.save();
      pen.translate(x, y);
      pen.rotate(turn);
      const p = path((q) => {
        q.rect(-46, -46, 92, 92);
        q.moveTo(74, 0);
        q.arc(52, 0, 22, 0, 7);
        q.moveTo(22, -52);
        q.arc(0, -52, 22, 0, 7);
      });
      solid(pen, p, ink, dark, [-50, -50], [60, 60]);
      pen.restore();
    };
    piece(800, 720, 0.4, '#8fb6c8', '#5f8a9c');
    piece(640, 800, -0.3, '#5f8a5a', '#3f6440');
    piece(460, 780, 0.9, '#b3452f', '#7d2d1e');
    piece(250, 790, -0.7, '#d9c79a', '#b39c68');
  },
};

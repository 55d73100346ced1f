"""Trains the reader of lines (see README.md): train.py LINES VALIDATION OUT [minutes] [what to go on from]"""
import glob, os, random, sys, time
import numpy as np
import torch
from torch import nn
import torch.nn.functional as F

torch.manual_seed(1); random.seed(1)
torch.set_num_threads(int(os.environ.get('THREADS', '1')))
SIGNS = " ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789.,:;=/%-&+#()!?\"'"
OF = {c: i + 1 for i, c in enumerate(SIGNS)}
TALL = 32


class Reader(nn.Module):
    """Convolutions alone: a window of some sixty columns sees a letter and its neighbours."""
    def __init__(self):
        super().__init__()
        wide = [20, 40, 64, 96, 112]
        self.convs = nn.ModuleList([
            nn.Conv2d(1, wide[0], 5, stride=2, padding=2, bias=False),
            nn.Conv2d(wide[0], wide[1], 3, stride=2, padding=1, bias=False),
            nn.Conv2d(wide[1], wide[2], 3, padding=1, bias=False),
            nn.Conv2d(wide[2], wide[3], 3, padding=1, bias=False),
            nn.Conv2d(wide[3], wide[4], (2, 3), padding=(0, 1), bias=False),
        ])
        self.along = nn.ModuleList(nn.Conv1d(wide[4], wide[4], 5, padding=2, bias=False) for _ in range(2))
        self.norms = nn.ModuleList(nn.BatchNorm2d(w) for w in wide)
        self.norms1 = nn.ModuleList(nn.BatchNorm1d(wide[4]) for _ in range(2))
        self.out = nn.Conv1d(wide[4], len(SIGNS) + 1, 1)
        self.drop = nn.Dropout(0.1)

    def forward(self, x):
        for i, (conv, norm) in enumerate(zip(self.convs, self.norms)):
            x = F.relu(norm(conv(x)))
            # Height 8 to 4 to 2; the last convolution takes both rows.
            if i in (2, 3): x = F.max_pool2d(x, (2, 1))
        x = self.drop(x.squeeze(2))
        for conv, norm in zip(self.along, self.norms1):
            x = x + F.relu(norm(conv(x)))
        return self.out(self.drop(x))


def load(name):
    rows = [r.split('\t') for r in open(name + '.tsv').read().split('\n')]
    data = np.fromfile(name + '.bin', dtype=np.uint8)
    at, lines = 0, []
    for width, text, font in rows:
        w = int(width)
        lines.append((data[at:at + TALL * w].reshape(TALL, w), text, font)); at += TALL * w
    return lines


def batches(lines, size):
    order = sorted(range(len(lines)), key=lambda i: lines[i][0].shape[1] + random.random() * 24)
    groups = [order[i:i + size] for i in range(0, len(order), size)]
    random.shuffle(groups)
    for group in groups:
        some = [lines[i] for i in group]
        wide = (max(l[0].shape[1] for l in some) + 8 + 31) // 32 * 32
        x = np.zeros((len(some), 1, TALL, wide), np.float32)
        for i, (pixels, _, _) in enumerate(some): x[i, 0, :, 4:4 + pixels.shape[1]] = pixels[:, :wide - 4] / 255
        yield torch.from_numpy(x), some


def decoded(scores):
    best = scores.argmax(1)
    out = []
    for row in best.tolist():
        text, last = '', 0
        for i in row:
            if i != last and i != 0: text += SIGNS[i - 1]
            last = i
        out.append(' '.join(text.split()))
    return out


def distance(a, b):
    row = list(range(len(b) + 1))
    for i, x in enumerate(a, 1):
        last, row[0] = row[0], i
        for j, y in enumerate(b, 1): last, row[j] = row[j], min(row[j] + 1, row[j - 1] + 1, last + (x != y))
    return row[-1]


def validate(net, lines):
    net.eval()
    by = {}
    with torch.no_grad():
        for x, some in batches(lines, 64):
            for text, (_, said, font) in zip(decoded(net(x)), some):
                e, n, w, k = by.get(font, (0, 0, 0, 0))
                by[font] = (e + distance(text, said), n + len(said), w + (text == said), k + 1)
    net.train()
    for font, (e, n, w, k) in sorted(by.items()): print(f'   {font:28s} letters wrong {e / n:.3f} lines right {w / k:.2f}')
    tot = [sum(v[i] for v in by.values()) for i in range(4)]
    print(f'  all: letters wrong {tot[0] / tot[1]:.4f}, lines right {tot[2] / tot[3]:.3f}', flush=True)


def main():
    source, val, out = sys.argv[1:4]
    minutes = float(sys.argv[4]) if len(sys.argv) > 4 else 30
    net = Reader()
    if len(sys.argv) > 5: net.load_state_dict(torch.load(sys.argv[5]))
    print(sum(p.numel() for p in net.parameters()), 'weights')
    check = [l for n in glob.glob(val + '/*.bin') for l in load(n[:-4])]
    opt = torch.optim.AdamW(net.parameters(), lr=2e-3, weight_decay=1e-3)
    loss_of = nn.CTCLoss(zero_infinity=True)
    start, seen, said, used = time.time(), 0, time.time(), {}
    while time.time() - start < minutes * 60:
        files = sorted(glob.glob(source + '/*.bin'))
        # The one used least, so that new ones come first.
        name = min(files, key=lambda f: (used.get(f, 0), random.random()))
        used[name] = used.get(name, 0) + 1
        for x, some in batches(load(name[:-4]), 32):
            share = min(1, (time.time() - start) / (minutes * 60))
            rate = 2e-3 * min(1, (seen + 500) / 4000) * (0.5 * (1 + np.cos(np.pi * share)) * 0.98 + 0.02)
            for group in opt.param_groups: group['lr'] = rate
            scores = F.log_softmax(net(x), 1).permute(2, 0, 1)
            texts = [[OF[c] for c in t if c in OF] for _, t, _ in some]
            flat = torch.tensor([i for t in texts for i in t])
            loss = loss_of(scores, flat, torch.full((len(some),), scores.shape[0]), torch.tensor([len(t) for t in texts]))
            opt.zero_grad(); loss.backward()
            nn.utils.clip_grad_norm_(net.parameters(), 5.0)
            opt.step(); seen += len(some)
        print(f'{time.time() - start:.0f} s, {seen} lines, {len(files)} files, loss {loss.item():.3f}', flush=True)
        if time.time() - said > 240:
            said = time.time(); validate(net, check); torch.save(net.state_dict(), out + '.pt')
    validate(net, check)
    torch.save(net.state_dict(), out + '.pt')


if __name__ == '__main__': main()

"""Writes what was learnt as the app takes it, and what PyTorch itself reads with it: export.py NET.pt LINES OUT.bin REFERENCE.json"""
import base64, json, sys
import numpy as np
import torch
import torch.nn.functional as F
from train import Reader, SIGNS, load, decoded

net = Reader(); net.load_state_dict(torch.load(sys.argv[1])); net.eval()


def folded(conv, norm):
    """A norm after a convolution is one with it."""
    w = conv.weight.detach(); gain = norm.weight / torch.sqrt(norm.running_var + norm.eps)
    return (w * gain.reshape(-1, *[1] * (w.dim() - 1))).detach().numpy(), (norm.bias - norm.running_mean * gain).detach().numpy()


steps = []
for conv, norm in zip(net.convs, net.norms): steps.append((*folded(conv, norm), conv.stride[0], *conv.padding))
for conv, norm in zip(net.along, net.norms1):
    w, b = folded(conv, norm); steps.append((w[:, :, None, :], b, 1, 0, 2))
steps.append((net.out.weight.detach().numpy()[:, :, None, :], net.out.bias.detach().numpy(), 1, 0, 0))
out = bytes([len(SIGNS)]) + SIGNS.encode('ascii') + bytes([len(steps)])
for w, b, stride, py, px in steps: out += bytes([w.shape[1], w.shape[0], w.shape[2], w.shape[3], stride, py, px])
for w, b, *_ in steps:
    flat = w.reshape(w.shape[0], -1); scale = np.abs(flat).max(1) / 127 + 1e-12
    out += scale.astype('<f4').tobytes() + b.astype('<f4').tobytes() + np.round(flat / scale[:, None]).astype(np.int8).tobytes()
open(sys.argv[3], 'wb').write(out)


def read(x):
    for i, (w, b, stride, py, px) in enumerate(steps):
        flat = w.reshape(w.shape[0], -1); scale = (np.abs(flat).max(1) / 127 + 1e-12).astype(np.float32)
        w = torch.from_numpy((np.round(flat / scale[:, None]) * scale[:, None]).reshape(w.shape).astype(np.float32))
        y = F.conv2d(x, w, torch.from_numpy(b.astype(np.float32)), stride, (py, px))
        if i == len(steps) - 1: return y.squeeze(2)
        y = F.relu(y)
        if i in (2, 3): y = F.max_pool2d(y, (2, 1))
        x = x + y if i >= len(net.convs) else y


lines = []
for pixels, text, _ in [l for l in load(sys.argv[2]) if l[0].shape[1] < 150][:4]:
    x = F.pad(torch.from_numpy(pixels.astype(np.float32) / 255)[None, None], (4, 4))
    with torch.no_grad(): scores = read(x)
    best = F.softmax(scores, 1)[0].max(0).values
    lines.append({'width': pixels.shape[1], 'ink': base64.b64encode(pixels.tobytes()).decode(), 'said': text, 'read': decoded(scores)[0],
                  'surest': [round(v, 4) for v in best.tolist()]})
json.dump({'reader': f'PyTorch {torch.__version__}', 'lines': lines}, open(sys.argv[4], 'w'), indent=1)

/** A clip's container, told by its first bytes. */
export function clipType(head: Uint8Array): 'video/webm' | 'video/mp4' | null {
  // EBML (RFC 8794); ISO base media file format (ISO/IEC 14496-12) and its forerunner, told by their first
  // box.
  if (head[0] === 0x1a && head[1] === 0x45 && head[2] === 0xdf && head[3] === 0xa3) return 'video/webm';
  const box = String.fromCharCode(...head.subarray(4, 8));
  // Pictures come in the same container: HEIF and AVIF say so in their brand.
  if (box === 'ftyp' && /^(hei|hev|mif1|msf1|avi)/u.test(String.fromCharCode(...head.subarray(8, 12))))
    return null;
  return box === 'ftyp' || box === 'moov' || box === 'mdat' || box === 'wide' ? 'video/mp4' : null;
}

/**
 * Blanks what a camera wrote along in a clip (place, serial number, tags), in place. Nothing moves, so that
 * the positions inside the file stay true.
 *
 * @returns how many places were blanked
 */
export function blankClipNotes(bytes: Uint8Array): number {
  const kind = clipType(bytes);
  if (kind === 'video/mp4') return blankBoxes(bytes, 0, bytes.length, 0);
  if (kind === 'video/webm') return blankTags(bytes);
  return 0;
}

/** Boxes that hold only boxes, and boxes that hold notes (ISO/IEC 14496-12, 8.10; QuickTime's user data). */
const NESTS = new Set(['moov', 'trak', 'mdia', 'moof', 'traf']);
const NOTES = new Set(['udta', 'meta', 'uuid', 'XMP_', 'loci']);

function blankBoxes(bytes: Uint8Array, from: number, to: number, depth: number): number {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  let blanked = 0;
  for (let at = from; at + 8 <= to;) {
    let size = view.getUint32(at);
    let head = 8;
    if (size === 1 && at + 16 <= to) {
      size = Number(view.getBigUint64(at + 8));
      head = 16;
    } else if (size === 0) size = to - at;
    if (size < head || at + size > to) return blanked;
    const type = String.fromCharCode(...bytes.subarray(at + 4, at + 8));
    if (NOTES.has(type)) {
      // A `free` box is to be skipped by every reader.
      bytes.set([0x66, 0x72, 0x65, 0x65], at + 4);
      bytes.fill(0, at + head, at + size);
      blanked += 1;
    } else if (NESTS.has(type) && depth < 8) blanked += blankBoxes(bytes, at + head, at + size, depth + 1);
    at += size;
  }
  return blanked;
}

// Element ids of Matroska (RFC 9559).
const SEGMENT = 0x18538067;
const TAGS = 0x1254c367;
const ATTACHMENTS = 0x1941a469;

function blankTags(bytes: Uint8Array): number {
  let blanked = 0;
  const walk = (from: number, to: number, inSegment: boolean) => {
    for (let at = from; at < to;) {
      const id = vint(bytes, at, true);
      const size = id && vint(bytes, at + id.length, false);
      if (!id || !size) return;
      const data = at + id.length + size.length;
      const end = size.unknown ? to : Math.min(to, data + size.value);
      if (id.value === SEGMENT && !inSegment) walk(data, end, true);
      else if ((id.value === TAGS || id.value === ATTACHMENTS) && !size.unknown && end - at >= 6) {
        // A Void element over the whole place: one byte of id, and a size of as many bytes as are needed.
        const room = end - at;
        bytes[at] = 0xec;
        const content = room - 1 - 4;
        bytes.set(
          [0x10 | ((content >>> 24) & 0x0f), (content >>> 16) & 255, (content >>> 8) & 255, content & 255],
          at + 1,
        );
        bytes.fill(0, at + 5, end);
        blanked += 1;
      }
      // Clusters of unknown length run to the next element of their level: nothing more can be skipped
      // safely.
      if (size.unknown && id.value !== SEGMENT) return;
      if (end <= at) return;
      at = end;
    }
  };
  walk(0, bytes.length, false);
  return blanked;
}

function vint(
  bytes: Uint8Array,
  at: number,
  keepMarker: boolean,
): { value: number; length: number; unknown: boolean } | null {
  const first = bytes[at];
  if (first === undefined || first === 0) return null;
  const length = Math.clz32(first) - 23;
  if (at + length > bytes.length) return null;
  let value = keepMarker ? first : first & ((1 << (8 - length)) - 1);
  let ones = (first & ((1 << (8 - length)) - 1)) === (1 << (8 - length)) - 1;
  for (let i = 1; i < length; i += 1) {
    const byte = bytes[at + i] ?? 0;
    value = value * 256 + byte;
    ones &&= byte === 255;
  }
  return { value, length, unknown: !keepMarker && ones };
}

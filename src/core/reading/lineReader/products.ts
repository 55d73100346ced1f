/**
 * What each row of `weights` and each neighbourhood of `around` come to, multiplied and added up: by row,
 * then by place. Nearly all of the reader's time is spent here.
 */
export type Products = (
  around: Float32Array,
  weights: Float32Array,
  places: number,
  rows: number,
) => Float32Array;

/** `products.wat`, made into bytes, in base 64. */
export const KERNEL = [
  'AGFzbQEAAAABIgRgAXsBfWAEf39/fwF/YAZ/f39/f38AYAh/f39/f397ewADBQQAAQIDBQMBAAEHFQIGbWVtb3J5AgAIbXVsdGlw',
  'bHkAAgq6BQQZACAA/R8AIAD9HwGSIAD9HwIgAP0fA5KSCxYAIAAgAWohACAAIAIgACACSRsgA2wLxgQCCn8LeyAFQQRsIQYDQCAB',
  'IAggBmxqIQ4gASAIQQEgBEEBayAGEAFqIQ9BACEHA0AgACAHQQAgA0EBayAGEAFqIQogACAHQQEgA0EBayAGEAFqIQsgACAHQQIg',
  'A0EBayAGEAFqIQwgACAHQQMgA0EBayAGEAFqIQ39DAAAAAAAAAAAAAAAAAAAAAAhE/0MAAAAAAAAAAAAAAAAAAAAACEU/QwAAAAA',
  'AAAAAAAAAAAAAAAAIRX9DAAAAAAAAAAAAAAAAAAAAAAhFv0MAAAAAAAAAAAAAAAAAAAAACEX/QwAAAAAAAAAAAAAAAAAAAAAIRj9',
  'DAAAAAAAAAAAAAAAAAAAAAAhGf0MAAAAAAAAAAAAAAAAAAAAACEaQQAhCQNAIA4gCWr9AAQAIRAgDyAJav0ABAAhESAKIAlq/QAE',
  'ACESIBMgEiAQ/eYB/eQBIRMgFCASIBH95gH95AEhFCALIAlq/QAEACESIBUgEiAQ/eYB/eQBIRUgFiASIBH95gH95AEhFiAMIAlq',
  '/QAEACESIBcgEiAQ/eYB/eQBIRcgGCASIBH95gH95AEhGCANIAlq/QAEACESIBkgEiAQ/eYB/eQBIRkgGiASIBH95gH95AEhGiAJ',
  'QRBqIQkgCSAGSQ0ACyACIAdBACADIAggBCATIBQQAyACIAdBASADIAggBCAVIBYQAyACIAdBAiADIAggBCAXIBgQAyACIAdBAyAD',
  'IAggBCAZIBoQAyAHQQRqIQcgByADSQ0ACyAIQQJqIQggCCAESQ0ACws/AQF/IAAgASACIANBAWsgBUEEbBABaiEIIAggBEEEbGog',
  'BhAAOAIAIAggBEEBIAVBAWtBBBABaiAHEAA4AgAL',
].join('');

/** What `products.wat` exports. Addresses are of bytes. */
interface Kernel {
  memory: WebAssembly.Memory;
  multiply(weights: number, around: number, out: number, rows: number, places: number, each: number): void;
}

/** Four numbers at a time where the machine can, otherwise one after the other. */
export function productsHere(): Products {
  const kernel = kernelHere();
  return kernel ? (...what) => vectorProducts(kernel, ...what) : plainProducts;
}

function kernelHere(): Kernel | null {
  const bytes = Uint8Array.from(atob(KERNEL), (c) => c.charCodeAt(0));
  // Without such instructions it is no valid program.
  if (typeof WebAssembly === 'undefined' || !WebAssembly.validate(bytes)) return null;
  // What the bytes export: the test holds them against their source.
  return new WebAssembly.Instance(new WebAssembly.Module(bytes)).exports as unknown as Kernel;
}

const PAGE = 65_536;
const BYTES = Float32Array.BYTES_PER_ELEMENT;
const AT_ONCE = 4;

function vectorProducts(
  { memory, multiply }: Kernel,
  ...[around, weights, places, rows]: Parameters<Products>
): Float32Array {
  const each = weights.length / rows;
  const whole = AT_ONCE * Math.ceil(each / AT_ONCE);
  const aroundAt = rows * whole;
  const outAt = aroundAt + places * whole;
  const end = outAt + places * rows;
  const lacking = end * BYTES - memory.buffer.byteLength;
  if (lacking > 0) memory.grow(Math.ceil(lacking / PAGE));
  const numbers = new Float32Array(memory.buffer);
  put(numbers, 0, weights, each, whole);
  put(numbers, aroundAt, around, each, whole);
  multiply(0, aroundAt * BYTES, outAt * BYTES, rows, places, whole);
  return numbers.slice(outAt, end);
}

/** Rows of numbers, each with as much of nothing behind it as makes it whole. */
function put(to: Float32Array, at: number, from: Float32Array, each: number, whole: number): void {
  if (each === whole) return to.set(from, at);
  to.fill(0, at, at + (from.length / each) * whole);
  for (let row = 0; row * each < from.length; row += 1)
    to.set(from.subarray(row * each, (row + 1) * each), at + row * whole);
}

/**
 * One number after the other. Four rows and two places at a time, so that each number is fetched once for
 * several products.
 */
export function plainProducts(
  around: Float32Array,
  weights: Float32Array,
  places: number,
  rows: number,
): Float32Array {
  const each = weights.length / rows;
  const out = new Float32Array(rows * places);
  for (let n = 0; n < places; n += 2) {
    // Past the end the last one is worked out again.
    const next = Math.min(n + 1, places - 1);
    const [p, q] = [n * each, next * each];
    for (let o = 0; o < rows; o += 4) {
      const [o1, o2, o3] = [Math.min(o + 1, rows - 1), Math.min(o + 2, rows - 1), Math.min(o + 3, rows - 1)];
      const [w0, w1, w2, w3] = [o * each, o1 * each, o2 * each, o3 * each];
      let [a, a2, b, b2, c, c2, d, d2] = [0, 0, 0, 0, 0, 0, 0, 0];
      for (let k = 0; k < each; k += 1) {
        const x = around[p + k]!;
        const y = around[q + k]!;
        a += weights[w0 + k]! * x;
        a2 += weights[w0 + k]! * y;
        b += weights[w1 + k]! * x;
        b2 += weights[w1 + k]! * y;
        c += weights[w2 + k]! * x;
        c2 += weights[w2 + k]! * y;
        d += weights[w3 + k]! * x;
        d2 += weights[w3 + k]! * y;
      }
      out[o * places + n] = a;
      out[o * places + next] = a2;
      out[o1 * places + n] = b;
      out[o1 * places + next] = b2;
      out[o2 * places + n] = c;
      out[o2 * places + next] = c2;
      out[o3 * places + n] = d;
      out[o3 * places + next] = d2;
    }
  }
  return out;
}

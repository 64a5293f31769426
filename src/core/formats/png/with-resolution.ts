const SIGNATURE = [137, 80, 78, 71, 13, 10, 26, 10];
const PER_METRE = 1 / 0.0254;

const TABLE = Uint32Array.from({ length: 256 }, (_, n) => {
  let c = n;
  for (let k = 0; k < 8; k += 1) c = c & 1 ? 0xedb88320 ^ (c >>> 1) : c >>> 1;
  return c >>> 0;
});
function checksum(bytes: Uint8Array): number {
  let c = 0xffffffff;
  for (const byte of bytes) c = (TABLE[(c ^ byte) & 255] ?? 0) ^ (c >>> 8);
  return (c ^ 0xffffffff) >>> 0;
}

/**
 * A PNG told how large it is: a pHYs chunk behind its header, so that readers print it true to size. Browsers write none.
 * Source: PNG 1.2, 4.2.4.2. @throws on bytes that are no PNG.
 */
export function withResolution(png: Uint8Array, dotsPerInch: number): Uint8Array<ArrayBuffer> {
  if (!SIGNATURE.every((byte, i) => png[i] === byte)) throw new Error('no PNG');
  // Signature, then the header chunk: length, name, 13 bytes, checksum.
  const headerEnd = 8 + 4 + 4 + 13 + 4;
  const chunk = new Uint8Array(4 + 4 + 9 + 4);
  const view = new DataView(chunk.buffer);
  view.setUint32(0, 9);
  chunk.set([112, 72, 89, 115], 4);
  view.setUint32(8, Math.round(dotsPerInch * PER_METRE));
  view.setUint32(12, Math.round(dotsPerInch * PER_METRE));
  chunk[16] = 1;
  view.setUint32(17, checksum(chunk.subarray(4, 17)));
  const whole = new Uint8Array(png.length + chunk.length);
  whole.set(png.subarray(0, headerEnd), 0);
  whole.set(chunk, headerEnd);
  whole.set(png.subarray(headerEnd), headerEnd + chunk.length);
  return whole;
}

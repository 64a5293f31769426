const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789+/';

/** Bytes of a base64 text, as it stands in a JSON file: no spaces, padded. RFC 4648. */
export function bytesFromBase64(text: string): Uint8Array<ArrayBuffer> {
  const padding = text.endsWith('==') ? 2 : text.endsWith('=') ? 1 : 0;
  const bytes = new Uint8Array((text.length / 4) * 3 - padding);
  let [held, bits, written] = [0, 0, 0];
  for (let i = 0; i < text.length - padding; i += 1) {
    held = (held << 6) | LETTERS.indexOf(text.charAt(i));
    bits += 6;
    if (bits < 8) continue;
    bits -= 8;
    bytes[written] = (held >> bits) & 0xff;
    written += 1;
  }
  return bytes;
}

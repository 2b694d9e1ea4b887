/** What stands at 0x80 to 0x9f of windows-1252 (WHATWG Encoding, index windows-1252); the rest is as in Unicode. */
const FROM_0X80 = '€\u0081‚ƒ„…†‡ˆ‰Š‹Œ\u008dŽ\u008f\u0090‘’“”•–—˜™š›œ\u009džŸ';

/** Text of windows-1252, the encoding of one byte that spreadsheet programs save in; ISO-8859-1 is read as it, as browsers do. */
export function fromWindows1252(bytes: Uint8Array): string {
  let text = '';
  // Not by TextDecoder: that of Node 20 takes 0x80 to 0x9f for control characters.
  for (let from = 0; from < bytes.length; from += 8192)
    text += String.fromCharCode(...bytes.subarray(from, from + 8192));
  return text.replace(/[\u0080-\u009f]/g, (sign) => FROM_0X80[sign.charCodeAt(0) - 0x80] ?? sign);
}

/** Bytes of a text file as text: UTF-8, UTF-16 and Windows-1252, told apart by what can only be one of them. */
import { decode } from 'iconv-lite';

export type TextEncoding = 'utf-8' | 'utf-16le' | 'utf-16be' | 'windows-1252';

/** So many bytes tell UTF-16 without a mark. */
const SAMPLE = 4096;

/**
 * The encoding of a file: by its byte order mark (Unicode Standard 23.8); without one UTF-16 is told by the zero bytes that it puts
 * beside plain letters, and what is no well-formed UTF-8 is Windows-1252, which spreadsheets of the West write (common practice).
 */
export function encodingOf(bytes: Uint8Array): TextEncoding {
  const [first, second] = bytes;
  if (first === 0xff && second === 0xfe) return 'utf-16le';
  if (first === 0xfe && second === 0xff) return 'utf-16be';
  const sample = bytes.subarray(0, SAMPLE);
  const zeros = [0, 0];
  sample.forEach((byte, at) => {
    if (byte === 0) zeros[at % 2]! += 1;
  });
  const many = sample.length / 8;
  if (zeros[1]! > many && zeros[0]! < many / 8) return 'utf-16le';
  if (zeros[0]! > many && zeros[1]! < many / 8) return 'utf-16be';
  return isUtf8(bytes) ? 'utf-8' : 'windows-1252';
}

/** The text, without its byte order mark. */
export function decodeText(bytes: Uint8Array): string {
  return decode(Buffer.from(bytes.buffer, bytes.byteOffset, bytes.length), encodingOf(bytes));
}

function isUtf8(bytes: Uint8Array): boolean {
  try {
    new TextDecoder('utf-8', { fatal: true }).decode(bytes);
    return true;
  } catch {
    return false;
  }
}

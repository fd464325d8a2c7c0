/** Bytes of a text file as text: UTF-8, UTF-16 and Windows-1252, told apart by what can only be one of them. */
import { decode, getDecoder } from 'iconv-lite';
import type { Source } from './source';

export type TextEncoding = 'utf-8' | 'utf-16le' | 'utf-16be' | 'windows-1252';

/** So many bytes tell UTF-16 without a mark. */
const SAMPLE = 4096;

/** A text is no UTF-8. */
export class NotUtf8 extends Error {}

/**
 * The encodings a file may be in, likeliest first: by its byte order mark (Unicode Standard 23.8); without one UTF-16 is told by the zero
 * bytes that it puts beside plain letters, and what is no well-formed UTF-8 is Windows-1252, which spreadsheets of the West write (common
 * practice).
 */
export function encodingsOf(head: Uint8Array): TextEncoding[] {
  const [first, second] = head;
  if (first === 0xff && second === 0xfe) return ['utf-16le'];
  if (first === 0xfe && second === 0xff) return ['utf-16be'];
  const sample = head.subarray(0, SAMPLE);
  const zeros = [0, 0];
  sample.forEach((byte, at) => {
    if (byte === 0) zeros[at % 2]! += 1;
  });
  const many = sample.length / 8;
  if (zeros[1]! > many && zeros[0]! < many / 8) return ['utf-16le'];
  if (zeros[0]! > many && zeros[1]! < many / 8) return ['utf-16be'];
  return ['utf-8', 'windows-1252'];
}

/** The text, without its byte order mark. */
export function decodeText(bytes: Uint8Array): string {
  const [likely, other] = encodingsOf(bytes);
  const encoding = likely === 'utf-8' && !isUtf8(bytes) ? other! : likely!;
  return decode(Buffer.from(bytes.buffer, bytes.byteOffset, bytes.length), encoding);
}

function isUtf8(bytes: Uint8Array): boolean {
  try {
    new TextDecoder('utf-8', { fatal: true }).decode(bytes);
    return true;
  } catch {
    return false;
  }
}

/** The text of a file piece by piece, without its byte order mark; no piece ends between the two signs of a line's end. Throws NotUtf8. */
export async function* textPieces(source: Source, encoding: TextEncoding): AsyncGenerator<string> {
  const { write, end } = encoding === 'utf-8' ? strictUtf8() : openDecoder(encoding);
  let held = '';
  for await (const bytes of source.pieces()) {
    const text = held + write(bytes);
    held = text.endsWith('\r') ? '\r' : '';
    yield held === '' ? text : text.slice(0, -1);
  }
  yield held + end();
}

interface Decoding {
  write: (bytes: Uint8Array) => string;
  end: () => string;
}

function strictUtf8(): Decoding {
  const decoder = new TextDecoder('utf-8', { fatal: true });
  const decoded = (bytes: Uint8Array | undefined, stream: boolean): string => {
    try {
      return decoder.decode(bytes, { stream });
    } catch {
      throw new NotUtf8();
    }
  };
  return { write: (bytes) => decoded(bytes, true), end: () => decoded(undefined, false) };
}

function openDecoder(encoding: TextEncoding): Decoding {
  const decoder = getDecoder(encoding);
  return {
    write: (bytes) => decoder.write(Buffer.from(bytes.buffer, bytes.byteOffset, bytes.length)),
    end: () => decoder.end() ?? '',
  };
}

/** The tags of a part, one after the other. */
import type { Readable } from 'node:stream';
import { SaxesParser } from 'saxes';

/** Opens a part of the file, unpacked. */
export type Part = () => Promise<Readable>;
export type Attributes = Readonly<Record<string, string>>;

export interface TagHandlers {
  open?: (name: string, attributes: Attributes) => void;
  text?: (text: string) => void;
  close?: (name: string) => void;
}

/**
 * Tells the tags of a part and the texts between them as they come, names without their prefix. Throws where it is no
 * whole XML.
 */
export async function eachTag(part: Part, { open, text, close }: TagHandlers): Promise<void> {
  const parser = new SaxesParser({ position: false, xmlns: false } as const);
  parser.on('error', (error) => {
    throw error;
  });
  if (open) parser.on('opentag', ({ name, attributes }) => open(bare(name), attributes));
  if (text) {
    parser.on('text', text);
    parser.on('cdata', text);
  }
  if (close) parser.on('closetag', ({ name }) => close(bare(name)));
  const stream = await part();
  // Letters of several bytes may be cut by the end of a piece.
  stream.setEncoding('utf8');
  for await (const piece of stream) parser.write(piece as string);
  parser.close();
}

const bare = (name: string) => name.slice(name.indexOf(':') + 1);

/** Pictures in messages: `picture:ID` inside, an address the channel can fetch outside. */
import { markedPicture, pictureMark } from '@loom-kin/core/listing';

/** `picture:ID` everywhere becomes the picture's address. */
export function withAddresses<T>(data: T, address: (id: string) => string): T {
  return mapTexts(data, (text) => {
    const id = markedPicture(text);
    return id === null ? text : address(id);
  });
}

/** Addresses of our pictures become `picture:ID` again, under whatever port they were sent. */
export function withoutAddresses<T>(data: T): T {
  return mapTexts(data, (text) => {
    const id = /^https?:\/\/[^/]+\/pictures\/([0-9a-f]{24})(?:\.png)?$/.exec(text)?.[1];
    return id ? pictureMark(id) : text;
  });
}

const mapTexts = <T>(data: T, change: (text: string) => string): T =>
  JSON.parse(JSON.stringify(data), (_key, value: unknown) => (typeof value === 'string' ? change(value) : value)) as T;

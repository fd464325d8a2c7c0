/** Listings and offers as channels get them, and the messages that revise them. */
export { type ChannelEntry, ChannelEntrySchema, type EntryMatch, type KnownNumbers, KnownNumbersSchema } from './entry';
export { type Listing, type ListingMessage, ListingMessageSchema, ListingSchema } from './listing';
export { listingMessage } from './listingMessage';
export { markedPicture, pictureMark } from './pictureAddress';
export { type UploadSheet, uploadSheet } from './uploadSheet';

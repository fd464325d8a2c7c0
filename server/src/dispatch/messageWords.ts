/** What a message holds, in words short enough for a line. */
import type { ListingMessage } from '@loom-kin/core/listing';

const children = (count: number) => (count === 1 ? '1 child' : `${count} children`);

/**
 * "44 children, by Colour × Size", "3 children: price · 1 taken away · listing: pictures". Empty where nothing is
 * sent.
 */
export function messageWords(message: ListingMessage | null): string {
  if (!message) return '';
  if (message.action === 'takeDown') return 'the whole listing';
  if (message.action === 'list') {
    const { offers, axes } = message.listing;
    return `${children(offers.length)}${axes.length > 0 ? `, by ${axes.map((axis) => axis.name).join(' × ')}` : ''}${message.draft ? ', as a draft' : ''}`;
  }
  const figures = [...new Set(message.offers.flatMap((offer) => Object.keys(offer).filter((key) => key !== 'sku')))];
  const shared = Object.keys(message.changes);
  const parts = [
    message.offers.length > 0 && `${children(message.offers.length)}: ${figures.join(', ')}`,
    message.gone.length > 0 && `${message.gone.length} taken away`,
    shared.length > 0 && `listing: ${shared.join(', ')}`,
  ];
  return parts.filter(Boolean).join(' · ') || 'publish the draft';
}

/** Why nothing is sent of a listing of which it is not known what the account holds. */
export const unconfirmedText = (account: string, why: string, since: string): string =>
  `It is not certain what ${account} holds since ${since.slice(0, 16).replace('T', ' ')} UTC: ${why}. Nothing is sent until ${account} has been read.`;

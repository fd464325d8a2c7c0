/** What a seller reads of a failure while sending: the channel's words, never those of a program. */
import { expect, it } from 'vitest';
import { z } from 'zod';
import { ChannelSilent, failureText, TurnedAway, understood } from '../src/channels/transports/channelClient';

const failureOf = (work: () => unknown): unknown => {
  try {
    work();
  } catch (error) {
    return error;
  }
};

it('are told as the channel says them', () => {
  expect(failureText(new TurnedAway('We take no more today.'))).toBe('We take no more today.');
  expect(failureText(new ChannelSilent('does not answer'))).toBe('does not answer');
});
it('of our own are told as such, without what a schema or a program says', () => {
  const ours = [
    failureOf(() => z.object({ lines: z.array(z.string()) }).parse({ lines: 7 })),
    failureOf(() => (undefined as unknown as { key: string }).key),
    'no error at all',
  ];
  for (const error of ours)
    expect(failureText(error)).toMatch(/^something went wrong inside, .* the channel will be asked$/);
});
it('an answer that is none is a channel that has to be asked again', () => {
  expect(() => understood(z.object({ receipt: z.string() }), { thanks: true })).toThrow(ChannelSilent);
});

/**
 * Works dispatches off in the background: hands over, waits for receipts, tries again when a channel is silent, goes
 * on after a restart.
 */
import { rulesForSheet } from '@loom-kin/core';
import type { Logger } from 'pino';
import type { Database } from '../store/database';
import { readChannels } from '../catalogue/channels';
import { ChannelSilent, receipt, send } from './transports';
import {
  bookReceipt,
  channelsUnderWay,
  closeIfDone,
  linesOf,
  runningDispatches,
  setLines,
  setNotice,
  type LineRow,
} from './store';

export interface RunnerOptions {
  channelsUrl: string;
  pictureAddress: (id: string) => string;
  /** How often a receipt is asked for, in milliseconds. */
  pollEvery: number;
  /** Waits between tries, in milliseconds; when they are used up the lines fail and can be sent again by hand. */
  waits: readonly number[];
  log: Logger;
}

export interface Runner {
  /** Takes a dispatch up, unless it is being worked on. */
  start(dispatchId: string): void;
  /** Takes up everything that was under way when the server stopped. */
  resume(): void;
  /** Ends after the step under way. */
  stop(): Promise<void>;
}

export function createRunner(database: Database, options: RunnerOptions): Runner {
  const working = new Map<string, Promise<void>>();
  const ending = new AbortController();

  const pause = (milliseconds: number) =>
    new Promise<void>((resolve) => {
      if (ending.signal.aborted) return resolve();
      const timer = setTimeout(done, milliseconds);
      function done() {
        clearTimeout(timer);
        ending.signal.removeEventListener('abort', done);
        resolve();
      }
      ending.signal.addEventListener('abort', done);
    });

  async function work(dispatchId: string): Promise<void> {
    await Promise.all(channelsUnderWay(database, dispatchId).map((channel) => workChannel(dispatchId, channel)));
    if (!ending.signal.aborted) closeIfDone(database, dispatchId);
  }

  async function workChannel(dispatchId: string, channel: string): Promise<void> {
    const { rulebook } = readChannels(database).find((one) => one.channel === channel)!;
    const of = (state: LineRow['state']) => linesOf(database, dispatchId, channel, state);
    const waits = [...options.waits];
    while (!ending.signal.aborted) {
      try {
        const queued = of('queued');
        if (queued.length > 0) {
          const key = `${dispatchId}:${channel}:${queued[0]!.id}`;
          const number = await send({
            base: options.channelsUrl,
            channel,
            key,
            rulebook,
            rules: rulesForSheet(rulebook),
            pictureAddress: options.pictureAddress,
            messages: queued.flatMap((line) => line.message ?? []),
          });
          setLines(
            database,
            queued.map((line) => line.id),
            { state: 'sent', receipt: number, outcome: 'waiting' },
          );
          setNotice(database, dispatchId, null);
        }
        const sent = of('sent');
        if (sent.length === 0) return;
        for (const number of new Set(sent.map((line) => line.receipt!))) {
          const answer = await receipt(options.channelsUrl, channel, number);
          if (answer.state === 'done')
            bookReceipt(
              database,
              sent.filter((line) => line.receipt === number),
              answer,
              rulebook,
            );
        }
        if (of('sent').length === 0 && of('queued').length === 0) return;
        await pause(options.pollEvery);
      } catch (error) {
        if (!(error instanceof ChannelSilent)) {
          options.log.warn({ err: error, channel }, 'a channel turned a submission away');
          setLines(
            database,
            [...of('queued'), ...of('sent')].map((line) => line.id),
            { state: 'failed', outcome: error instanceof Error ? error.message : 'failed' },
          );
          return;
        }
        const wait = waits.shift();
        if (wait === undefined) {
          setLines(
            database,
            [...of('queued'), ...of('sent')].map((line) => line.id),
            { state: 'failed', outcome: `${rulebook.name} ${error.message}` },
          );
          return;
        }
        setNotice(
          database,
          dispatchId,
          `${rulebook.name} ${error.message}. Trying again in ${Math.ceil(wait / 1000)} s; ${waits.length} more tries after that.`,
        );
        await pause(wait);
      }
    }
  }

  const start = (dispatchId: string) => {
    if (working.has(dispatchId) || ending.signal.aborted) return;
    const job = work(dispatchId)
      .catch((error: unknown) => options.log.error({ err: error, dispatchId }, 'a dispatch stopped working'))
      .finally(() => {
        working.delete(dispatchId);
        // Lines may have been queued again while the last ones were finishing.
        if (!ending.signal.aborted && runningDispatches(database).includes(dispatchId)) start(dispatchId);
      });
    working.set(dispatchId, job);
  };

  return {
    start,
    resume: () => runningDispatches(database).forEach(start),
    stop: async () => {
      ending.abort();
      await Promise.all(working.values());
    },
  };
}

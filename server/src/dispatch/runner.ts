/**
 * Works dispatches off in the background, account by account: composes, hands over, waits for receipts, tries again when a channel is
 * silent, goes on after a restart.
 */
import { randomUUID } from 'node:crypto';
import { setTimeout as pause } from 'node:timers/promises';
import type { Account } from '@loom-kin/core';
import type { Logger } from 'pino';
import { rulebookOf } from '../catalogue/readCatalogue';
import type { FitPool } from '../fits/pool';
import type { Store } from '../store/store';
import { bookReceipt } from './book';
import { accountsUnderWay, linesOf, setLines, setNotice, settleAll, settleDispatch, type LineRow } from './dispatches';
import { inDoubt, reconcile } from './reconcile';
import { ChannelSilent } from './transports/channelClient';
import { askReceipt, handOver } from './transports/handOver';
import { composeTurn, readyLines } from './turn';

export interface RunnerOptions {
  channelsUrl: string;
  pictureAddress: (id: string) => string;
  /** How often a receipt is asked for, in milliseconds. */
  pollEvery: number;
  /** Waits between tries, in milliseconds; when they are used up the lines fail and can be sent again by hand. */
  waits: readonly number[];
  /** How long a receipt may wait before its lines fail, in milliseconds. */
  receiptPatience: number;
  log: Logger;
}

export interface Runner {
  /** Looks what is under way and takes it up, unless it is being worked on. */
  kick(): void;
  /** Settles what a process left that ended, and takes up what was under way. */
  resume(): void;
  /** Ends after the step under way. */
  stop(): Promise<void>;
}

export function createRunner(store: Store, pool: FitPool, options: RunnerOptions): Runner {
  const { database } = store;
  const working = new Map<string, Promise<void>>();
  const ending = new AbortController();
  const { signal } = ending;

  const wait = (milliseconds: number) => pause(milliseconds, undefined, { signal }).catch(() => undefined);
  const underWay = (account: string) => [
    ...linesOf(database, account, 'queued'),
    ...linesOf(database, account, 'sent'),
  ];

  /** Ends lines that cannot go on, with the reason. Their dispatches are settled. */
  function end(lines: readonly LineRow[], outcome: string): void {
    setLines(
      database,
      lines.map((line) => line.id),
      { state: 'failed', outcome },
    );
    for (const id of new Set(lines.map((line) => line.dispatchId))) settleDispatch(database, id);
    store.bell.ring({ dispatches: true });
  }

  async function workAccount(accountId: string): Promise<void> {
    const waits = [...options.waits];
    while (!signal.aborted) {
      const lines = underWay(accountId);
      if (lines.length === 0) return;
      const account = store.catalogue().accounts.find((one) => one.id === accountId);
      const rulebook = account && rulebookOf(store.catalogue(), account)?.rulebook;
      if (!account || !rulebook) return end(lines, 'the account is gone');
      const notify = (notice: string | null) => {
        setNotice(database, new Set(underWay(accountId).map((line) => line.dispatchId)), notice);
        store.bell.ring({ dispatches: true });
      };
      try {
        await store.quiet();
        await sendNext(account);
        await store.quiet();
        await askReceipts(account);
        if (waits.length < options.waits.length) notify(null);
        waits.splice(0, waits.length, ...options.waits);
        if (underWay(accountId).length > 0) await wait(options.pollEvery);
      } catch (error) {
        if (signal.aborted) return;
        const text = error instanceof Error ? error.message : 'failed';
        if (!(error instanceof ChannelSilent)) throw error;
        const next = waits.shift();
        if (next === undefined) return end(underWay(accountId), `${account.name} ${text}`);
        notify(
          `${account.name} ${text}. Trying again in ${Math.ceil(next / 1000)} s; ${waits.length} more tries after that.`,
        );
        await wait(next);
      }
    }
  }

  /** Hands over what may go: first what a process that ended had composed, under the key it had; then new lines. */
  async function sendNext(account: Account): Promise<void> {
    const queued = linesOf(database, account.id, 'queued');
    // Composed and stored, but perhaps never handed over: the very same goes under the very same key.
    const interrupted = queued.filter((line) => line.submission !== null && line.message !== null);
    for (const key of new Set(interrupted.map((line) => line.submission!))) {
      await submit(
        account,
        interrupted.filter((line) => line.submission === key),
        key,
      );
    }
    const fresh = readyLines(
      store,
      queued.filter((line) => !interrupted.includes(line)),
      underWay(account.id),
    );
    if (fresh.length === 0) return;
    const doubtful = fresh.filter(inDoubt);
    if (doubtful.length > 0) await reconcile(store, options.channelsUrl, account, doubtful);
    const key = `${randomUUID()}:${account.id}`;
    const going = await composeTurn(store, pool, account, fresh, key);
    if (going.length > 0) await submit(account, going, key);
  }

  async function submit(account: Account, lines: readonly LineRow[], key: string): Promise<void> {
    const rulebook = rulebookOf(store.catalogue(), account)?.rulebook;
    if (!rulebook) return;
    const messages = lines.flatMap((line) => line.message ?? []);
    const submission = {
      base: options.channelsUrl,
      account,
      key,
      rulebook,
      messages,
      pictureAddress: options.pictureAddress,
    };
    const receipt = await handOver(submission).catch((error: unknown) => turnedAway(account, lines, error));
    if (receipt === null) return;
    // What was stopped meanwhile stays stopped, and in doubt.
    const still = lines.filter((line) => linesOf(database, account.id, 'queued').some((one) => one.id === line.id));
    setLines(
      database,
      still.map((line) => line.id),
      { state: 'sent', receipt, outcome: 'waiting' },
    );
    store.bell.ring({ dispatches: true });
  }

  /** A channel that is silent is asked again; what it turns away for good fails, and nothing else with it. */
  function turnedAway(account: Account, lines: readonly LineRow[], error: unknown): null {
    if (error instanceof ChannelSilent) throw error;
    options.log.warn({ err: error, account: account.id }, 'a channel turned a submission away');
    end(lines, error instanceof Error ? error.message : 'failed');
    return null;
  }

  /** When each receipt was first asked for. */
  const since = new Map<string, number>();
  async function askReceipts(account: Account): Promise<void> {
    const sent = linesOf(database, account.id, 'sent');
    const rulebook = rulebookOf(store.catalogue(), account)?.rulebook;
    // Its channel went meanwhile: the next turn ends the lines and says so.
    if (!rulebook) return;
    for (const receipt of new Set(sent.map((line) => line.receipt!))) {
      const lines = sent.filter((line) => line.receipt === receipt);
      const answer = await askReceipt(options.channelsUrl, account, receipt).catch((error: unknown) =>
        turnedAway(account, lines, error),
      );
      if (answer === null) continue;
      if (answer.state === 'done') {
        since.delete(receipt);
        const now = new Set(linesOf(database, account.id, 'sent').map((line) => line.id));
        bookReceipt(
          store,
          lines.filter((line) => now.has(line.id)),
          answer,
          rulebook,
        );
        continue;
      }
      const began = since.get(receipt) ?? Date.now();
      since.set(receipt, began);
      if (Date.now() - began > options.receiptPatience) end(lines, `${account.name} took it and never answered`);
    }
  }

  function start(account: string): void {
    if (working.has(account) || signal.aborted) return;
    const job = workAccount(account)
      .catch((error: unknown) => {
        options.log.error({ err: error, account }, 'sending to an account stopped working');
        end(underWay(account), 'something went wrong inside');
      })
      .finally(() => {
        working.delete(account);
        // Lines may have been queued while the last ones were finishing.
        if (!signal.aborted && underWay(account).length > 0) start(account);
      });
    working.set(account, job);
  }

  const kick = () => accountsUnderWay(database).forEach(start);
  return {
    kick,
    resume() {
      settleAll(database);
      kick();
    },
    stop: async () => {
      ending.abort();
      await Promise.all(working.values());
    },
  };
}

/**
 * Works dispatches off in the background, account by account: composes, hands over, waits for receipts, tries again when a channel is
 * silent, goes on after a restart.
 */
import { randomUUID } from 'node:crypto';
import { setTimeout as pause } from 'node:timers/promises';
import type { Account } from '@loom-kin/core/catalogue';
import type { Rulebook } from '@loom-kin/core/rulebook';
import type { Logger } from 'pino';
import { rulebookOf } from '../store/readCatalogue';
import type { FitPool } from '../fits/pool';
import { reasonToWait, TRY_AGAIN_AFTER } from '../store/writeFailures';
import type { Store } from '../store/store';
import { bookReceipt } from './book';
import {
  accountsUnderWay,
  linesUnderWay,
  setLines,
  setNotice,
  settleAll,
  settleDispatch,
  wholeLines,
  type LineHead,
  type LineRow,
} from './dispatches';
import { reconcile, type ChannelLink } from './reconcile';
import { askReceipt, ChannelSilent, failureText } from '../channels/transports/channelClient';
import { handOver } from '../channels/transports/handOver';
import { composeTurn, readyLines } from './turn';
import {
  accountsInDoubt,
  noteReceipt,
  noteUnconfirmed,
  unconfirmedOn,
  unreadAccount,
  type Fate,
} from '../held/unconfirmed';

export interface RunnerOptions {
  link: ChannelLink;
  pictureAddress: (id: string) => string;
  /** How often a receipt is asked for, in milliseconds. */
  pollEvery: number;
  /** Waits between tries, in milliseconds; when they are used up the lines fail and can be sent again by hand. */
  waits: readonly number[];
  /** How often accounts in doubt are read by themselves, in milliseconds. */
  readEvery?: number | undefined;
  log: Logger;
}

/** A minute: what is in doubt is seldom, and asked about before anything is sent anyway. */
const READ_EVERY = 60_000;

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
  const { link } = options;
  const working = new Map<string, Promise<void>>();
  const ending = new AbortController();
  const { signal } = ending;

  const wait = (milliseconds: number) => pause(milliseconds, undefined, { signal }).catch(() => undefined);
  const underWay = (account: string) => linesUnderWay(database, account);
  const sentNow = (account: string) => underWay(account).filter((line) => line.state === 'sent');

  /** Ends lines that cannot go on, with the reason. What was handed over is in doubt. Their dispatches are settled. */
  async function end(
    lines: readonly Pick<LineHead, 'id' | 'dispatchId'>[],
    outcome: string,
    fate: Fate = {},
  ): Promise<void> {
    const ids = lines.map((line) => line.id);
    await store.transactionWhenQuiet(() => {
      noteUnconfirmed(database, ids, outcome, fate);
      setLines(database, ids, { state: 'failed', outcome });
      for (const id of new Set(lines.map((line) => line.dispatchId))) settleDispatch(database, id);
    });
    store.events.emit({ dispatches: true, families: {} });
  }

  async function workAccount(accountId: string): Promise<void> {
    const waits = [...options.waits];
    while (!signal.aborted) {
      const lines = underWay(accountId);
      if (lines.length === 0) return;
      const account = store.catalogue().accounts.find((one) => one.id === accountId);
      const rulebook = account && rulebookOf(store.catalogue(), account)?.rulebook;
      if (!account || !rulebook) return await end(lines, 'the account is gone');
      const notify = (notice: string | null) => {
        setNotice(database, new Set(underWay(accountId).map((line) => line.dispatchId)), notice);
        store.events.emit({ dispatches: true });
      };
      try {
        await sendNext(account, rulebook);
        await askReceipts(account, rulebook);
        if (waits.length < options.waits.length) notify(null);
        waits.splice(0, waits.length, ...options.waits);
        if (underWay(accountId).length > 0) await wait(options.pollEvery);
      } catch (error) {
        if (signal.aborted) return;
        const reason = reasonToWait(error);
        if (reason !== null) {
          notify(reason);
          await wait(TRY_AGAIN_AFTER);
          notify(null);
          continue;
        }
        if (!(error instanceof ChannelSilent)) throw error;
        const { message: text } = error;
        const next = waits.shift();
        if (next === undefined) return await end(underWay(accountId), `${account.name} ${text}`);
        notify(
          `${account.name} ${text}. Trying again in ${Math.ceil(next / 1000)} s; ${waits.length} more tries after that.`,
        );
        await wait(next);
      }
    }
  }

  /** Hands over what may go: first what a process that ended had composed, under the key it had; then new lines. */
  async function sendNext(account: Account, rulebook: Rulebook): Promise<void> {
    const queued = underWay(account.id).filter((line) => line.state === 'queued');
    // Composed and stored, but perhaps never handed over: the very same goes under the very same key.
    const interrupted = queued.filter((line) => line.submission !== null && line.hasMessage);
    for (const key of new Set(interrupted.map((line) => line.submission!))) {
      const ids = interrupted.filter((line) => line.submission === key).map((line) => line.id);
      await submit(account, rulebook, wholeLines(database, ids), key);
    }
    const going = interrupted.map((line) => line.id);
    const fresh = queued.filter((line) => !going.includes(line.id));
    if (fresh.length === 0) return;
    const certain = await certainLines(account, readyLines(store, account.id, fresh, underWay(account.id)));
    if (certain.length === 0) return;
    const key = `${randomUUID()}:${account.id}`;
    const composed = await composeTurn(store, pool, account, certain, key);
    if (composed.length > 0) await submit(account, rulebook, composed, key);
  }

  /** The lines of listings of which it is known what the account holds. What is in doubt is settled first; what stays so waits. */
  async function certainLines(account: Account, lines: readonly LineRow[]): Promise<LineRow[]> {
    const inDoubt = () => {
      const doubtful = new Set(unconfirmedOn(database, account.id).map((doubt) => doubt.key));
      return lines.filter((line) => doubtful.has(line.key));
    };
    const keys = new Set(lines.map((line) => line.key));
    if (inDoubt().length > 0 || unreadAccount(database, account.id))
      await reconcile(store, link, account, (doubt) => keys.has(doubt.key));
    const left = inDoubt();
    if (left.length > 0 && left.length === lines.length)
      throw new ChannelSilent('has not said yet what became of what was sent before');
    return lines.filter((line) => !left.includes(line));
  }

  async function submit(account: Account, rulebook: Rulebook, lines: readonly LineRow[], key: string): Promise<void> {
    const { pictureAddress } = options;
    const messages = lines.flatMap((line) => line.message ?? []);
    const receipt = await handOver({ base: link.base, account, key, rulebook, messages, pictureAddress }).catch(
      (error: unknown) => turnedAway(account, lines, error, { isTurnedAway: true }),
    );
    if (receipt === null) return;
    await store.transactionWhenQuiet(() => {
      // What was stopped meanwhile stays stopped, and in doubt; with its receipt that is settled sooner.
      const queued = new Set(underWay(account.id).flatMap((line) => (line.state === 'queued' ? [line.id] : [])));
      setLines(
        database,
        lines.flatMap((line) => (queued.has(line.id) ? [line.id] : [])),
        { state: 'sent', receipt, outcome: 'waiting' },
      );
      noteReceipt(database, account.id, key, receipt);
    });
    store.events.emit({ dispatches: true });
  }

  /** A channel that is silent is asked again; what it turns away for good fails, and nothing else with it. */
  async function turnedAway(
    account: Account,
    lines: readonly Pick<LineHead, 'id' | 'dispatchId'>[],
    error: unknown,
    fate: Fate,
  ): Promise<null> {
    if (error instanceof ChannelSilent) throw error;
    options.log.warn({ err: error, account: account.id }, 'a channel turned a submission away');
    await end(lines, failureText(error), fate);
    return null;
  }

  /** When each receipt was first asked for. */
  const since = new Map<string, number>();
  async function askReceipts(account: Account, rulebook: Rulebook): Promise<void> {
    const sent = sentNow(account.id);
    for (const receipt of new Set(sent.map((line) => line.receipt!))) {
      const lines = sent.filter((line) => line.receipt === receipt);
      const answer = await askReceipt(link.base, account, receipt).catch((error: unknown) =>
        turnedAway(account, lines, error, {}),
      );
      if (answer === null) continue;
      if (answer.state === 'done') {
        since.delete(receipt);
        await store.whenQuiet(() => {
          const ids = sentNow(account.id).flatMap((line) => (line.receipt === receipt ? [line.id] : []));
          bookReceipt(store, wholeLines(database, ids), answer, rulebook);
        });
        continue;
      }
      const began = since.get(receipt) ?? Date.now();
      since.set(receipt, began);
      if (Date.now() - began > link.patience) await end(lines, `${account.name} took it and never answered`);
    }
  }

  /** Reads accounts of which something is in doubt, so that what is shown is right again before anybody asks. */
  async function readDoubtful(): Promise<void> {
    for (const id of accountsInDoubt(database)) {
      const account = store.catalogue().accounts.find((one) => one.id === id);
      if (!account || signal.aborted) continue;
      await reconcile(store, link, account).catch((error: unknown) =>
        options.log.info({ err: error, account: id }, 'an account could not be read'),
      );
    }
  }
  let reading = Promise.resolve();
  const watch = setInterval(() => void (reading = reading.then(readDoubtful)), options.readEvery ?? READ_EVERY);
  watch.unref();

  function start(account: string): void {
    if (working.has(account) || signal.aborted) return;
    const job = workAccount(account)
      .catch(async (error: unknown) => {
        options.log.error({ err: error, account }, 'sending to an account stopped working');
        // What became of the lines could not be stored just now: they are taken up again.
        if (reasonToWait(error) !== null) return void (await wait(TRY_AGAIN_AFTER));
        await end(underWay(account), 'something went wrong inside');
      })
      .catch(async (error: unknown) => {
        options.log.error({ err: error, account }, 'lines could not be ended');
        await wait(TRY_AGAIN_AFTER);
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
      clearInterval(watch);
      await Promise.all([reading, ...working.values()]);
    },
  };
}

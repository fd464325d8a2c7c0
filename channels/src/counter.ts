/** The counter of a channel: takes submissions, lets them wait, works them, writes receipts. */
import { randomUUID } from 'node:crypto';
import { revise, type Goods, type LookAt, type Message, type Reason } from './goods';
import { isLetIn } from './approvals';
import type { PlayedChannel } from './checks';
import { entriesOf, judge, withoutFixed } from './entries';
import { shelfName, shelfOwner, type ReceiptLine, type Shelves, type Submission } from './shelves';

const shelfOf = (channel: PlayedChannel) => shelfName(channel.id, channel.forAccount);

export interface CounterOptions {
  shelves: Shelves;
  lookAt: LookAt;
  /** Milliseconds a submission waits, by channel. */
  delayOf: (channel: string) => number;
  /** The edition of a channel's rules that is in force. */
  editionOf: (channel: string) => number;
  pageOf: (channel: PlayedChannel, key: string) => string;
}

export class Counter {
  private readonly timers = new Set<NodeJS.Timeout>();
  /** Submissions of one channel are worked one after another. */
  private readonly queues = new Map<string, Promise<void>>();

  constructor(private readonly options: CounterOptions) {}

  /** Takes a submission. The same key again gives the same receipt: nothing is listed twice. */
  take(channel: PlayedChannel, key: string, messages: { message: Message; reasons: Reason[] }[]): string {
    const shelf = this.options.shelves.of(shelfOf(channel));
    const known = Object.values(shelf.submissions).find((one) => one.key === key);
    if (known) return known.id;
    const submission: Submission = {
      id: randomUUID(),
      key,
      due: Date.now() + this.options.delayOf(channel.id),
      messages,
      lines: null,
    };
    shelf.submissions[submission.id] = submission;
    this.options.shelves.keep();
    this.schedule(channel, submission);
    return submission.id;
  }

  receipt(channel: PlayedChannel, id: string): { id: string; state: 'waiting' | 'done'; lines: ReceiptLine[] } | null {
    const submission = this.options.shelves.of(shelfOf(channel)).submissions[id];
    return submission ? { id, state: submission.lines ? 'done' : 'waiting', lines: submission.lines ?? [] } : null;
  }

  /** Goes on with what waited when the service stopped. */
  resume(channels: readonly PlayedChannel[]): void {
    for (const name of this.options.shelves.names()) {
      const owner = shelfOwner(name);
      const channel = channels.find((one) => one.id === owner.channel);
      if (!channel) continue;
      for (const submission of Object.values(this.options.shelves.of(name).submissions)) {
        const served = owner.account ? { ...channel, forAccount: owner.account } : channel;
        if (!submission.lines) this.schedule(served, submission);
      }
    }
  }

  stop(): void {
    for (const timer of this.timers) clearTimeout(timer);
  }

  private schedule(channel: PlayedChannel, submission: Submission): void {
    const timer = setTimeout(
      () => {
        this.timers.delete(timer);
        const before = this.queues.get(shelfOf(channel)) ?? Promise.resolve();
        this.queues.set(
          shelfOf(channel),
          before.then(() => this.work(channel, submission)),
        );
      },
      Math.max(0, submission.due - Date.now()),
    );
    this.timers.add(timer);
  }

  private async work(channel: PlayedChannel, submission: Submission): Promise<void> {
    const order = submission.messages.toSorted(
      (a, b) => Number(b.message.action === 'takeDown') - Number(a.message.action === 'takeDown'),
    );
    const lines: ReceiptLine[] = [];
    for (const { message, reasons } of order) lines.push(await this.settle(channel, message, reasons));
    submission.lines = lines;
    this.options.shelves.keep();
  }

  private async settle(channel: PlayedChannel, message: Message, formReasons: Reason[]): Promise<ReceiptLine> {
    const { held } = this.options.shelves.of(shelfOf(channel));
    const { key } = message;
    const refuse = (reasons: Reason[]): ReceiptLine => ({
      key,
      outcome: 'refused',
      page: null,
      reasons: reasons.slice(0, 200),
    });
    if (formReasons.length > 0) return refuse(formReasons);
    if (message.action === 'takeDown') {
      delete held[key];
      return { key, outcome: 'taken down', page: null, reasons: [] };
    }
    const there = held[key];
    if (message.action === 'revise' && !there)
      return refuse([{ text: 'There is no such listing to revise.', sku: null, field: null }]);
    const { goods, reasons } =
      message.action === 'list' ? { goods: message.listing, reasons: [] } : revise(there!.goods, message);
    const { lookAt, editionOf, shelves } = this.options;
    const found = [
      ...reasons,
      ...this.notLetIn(channel, goods),
      ...this.elsewhere(channel, goods),
      ...(await judge(channel, goods, lookAt, entriesOf(channel, shelves), editionOf(channel.id))),
    ];
    if (found.length > 0) return refuse(found);
    const kept = withoutFixed(channel, goods);
    const outcome = !there
      ? 'listed'
      : JSON.stringify(there) === JSON.stringify({ goods: kept, draft: message.draft })
        ? 'already there'
        : 'revised';
    held[key] = { goods: kept, draft: message.draft };
    return { key, outcome, page: this.options.pageOf(channel, key), reasons: [] };
  }

  private notLetIn(channel: PlayedChannel, goods: Goods): Reason[] {
    const { shelves, delayOf } = this.options;
    const isIn = isLetIn(
      shelves.of(shelfOf(channel)),
      channel.closed ?? [],
      goods.category,
      Date.now(),
      delayOf(channel.id),
    );
    return isIn ? [] : [{ text: `You have not been let into ${goods.category}.`, sku: null, field: null }];
  }

  /** An SKU stands in one listing of a channel only. */
  private elsewhere(channel: PlayedChannel, goods: Goods): Reason[] {
    const owners = new Map(
      Object.values(this.options.shelves.of(shelfOf(channel)).held).flatMap((one) =>
        one.goods.key === goods.key ? [] : one.goods.offers.map((offer) => [offer.sku, one.goods.key] as const),
      ),
    );
    return goods.offers.flatMap((offer) =>
      owners.has(offer.sku)
        ? [{ text: `${offer.sku} is in the listing ${owners.get(offer.sku)} already.`, sku: offer.sku, field: 'SKU' }]
        : [],
    );
  }
}

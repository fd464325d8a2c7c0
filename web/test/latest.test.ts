/** Questions that overtake each other: the last one's answer stands, whatever comes when. */
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { latest } from '../src/api/latest';

it('takes the answer to the last question, and tells of no fault of one before it', () =>
  fc.assert(
    fc.asyncProperty(
      fc.array(fc.boolean(), { minLength: 1, maxLength: 6 }),
      fc.infiniteStream(fc.nat()),
      async (good, order) => {
        const ask = latest();
        const taken: number[] = [];
        const open: (() => void)[] = [];
        const asked = good.map((isGood, at) =>
          ask(
            () =>
              new Promise<number>((resolve, reject) =>
                open.push(() => (isGood ? resolve(at) : reject(new Error(String(at))))),
              ),
            (answer) => taken.push(answer),
          ).then(
            () => null,
            (error: Error) => error.message,
          ),
        );
        while (open.length > 0) {
          const [answer] = open.splice(order.next().value! % open.length, 1);
          answer!();
          await Promise.resolve();
        }
        const last = good.length - 1;
        expect(await Promise.all(asked)).toEqual(
          good.map((isGood, at) => (at === last && !isGood ? String(at) : null)),
        );
        expect(taken).toEqual(good[last] ? [last] : []);
      },
    ),
  ));

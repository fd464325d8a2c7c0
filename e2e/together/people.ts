/** Ten people who type prices and one who looks around, in a program that does nothing else: what they wait is what the server takes. */
import { createClient, endpoints as api, makeChange, Refused } from '@loom-kin/contract';

export interface PeopleWork {
  url: string;
  /** A server that does nothing but answer. */
  idleUrl: string;
  /** A family for each person. */
  ids: string[];
  /** When they go home, in milliseconds since 1970. */
  end: number;
}
export interface PeopleTold {
  /** What was asked → how long each answer took, in milliseconds. */
  waits: Record<string, number[]>;
  typed: number;
  troubles: string[];
}

const { url, idleUrl, ids, end } = JSON.parse(process.argv[2]!) as PeopleWork;
const call = createClient(url);
const told: PeopleTold = { waits: {}, typed: 0, troubles: [] };

async function timed<T>(what: string, ask: () => Promise<T>): Promise<T> {
  const began = performance.now();
  const answer = await ask();
  (told.waits[what] ??= []).push(performance.now() - began);
  return answer;
}
/** Does something again and again, with a pause in milliseconds, until they go home. */
async function again(pause: number, work: (nth: number) => Promise<unknown>): Promise<void> {
  for (let nth = 0; Date.now() < end; nth++) {
    try {
      await work(nth);
    } catch (error) {
      // Somebody else changed the same family: people look again.
      if (!(error instanceof Refused && error.status === 409)) told.troubles.push(String(error));
    }
    await new Promise((next) => setTimeout(next, pause));
  }
}

await Promise.all([
  ...ids.map((id, person) =>
    again(300, async (nth) => {
      const { family } = await timed('GET a family', () => call(api.family, { params: { id } }));
      const price = { place: { level: 'family' as const }, key: 'price', figure: `${100 + ((nth + person) % 50)}.00` };
      const step = { on: 'family' as const, familyId: id, revision: family.revision };
      await timed('a typed price', () =>
        makeChange(call, [{ ...step, command: { do: 'setFigures', changes: [price] } }]),
      );
      told.typed += 1;
    }),
  ),
  again(200, async (nth) => {
    await timed('GET the list', () => call(api.listFamilies, { query: { limit: 100 } }));
    await timed('GET a search', () => call(api.listFamilies, { query: { q: `ANT coat ${nth}` } }));
    await timed('GET dispatches', () => call(api.dispatches));
    await timed('a server that does nothing', async () => (await fetch(idleUrl)).text());
  }),
]);
process.send!(told);

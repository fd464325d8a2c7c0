/** The storm for long: `npm run storm -- 10000 7` hands over so many messages, of a seed. */
import { faultyLine } from '../faultyLine';
import { startWorld } from '../world';
import { runStorm } from './storm';

const [messages = 10_000, seed = 7] = process.argv.slice(2).map(Number);
const shown = new Set<string>();
const line = faultyLine();
const world = await startWorld({ demo: true, through: line.open, waits: '30,30' });
try {
  const report = await runStorm({
    world,
    line,
    messages,
    families: 60,
    seed,
    tell({ rounds, messages: sent, undisclosed, afterReading }) {
      for (const text of [...undisclosed, ...afterReading]) if (!shown.has(text)) console.log(text);
      for (const text of [...undisclosed, ...afterReading]) shown.add(text);
      console.log(`round ${rounds}: ${sent} messages, ${undisclosed.length} differences that nobody is told of`);
    },
  });
  console.log(JSON.stringify(report, null, 2));
  process.exitCode = report.undisclosed.length + report.afterReading.length > 0 ? 1 : 0;
} finally {
  await world.end();
  line.close();
}

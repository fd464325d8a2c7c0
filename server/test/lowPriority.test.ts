/** Worker threads step back; the thread that answers does not. */
import { once } from 'node:events';
import { readFileSync } from 'node:fs';
import { getPriority } from 'node:os';
import { Worker } from 'node:worker_threads';
import ts from 'typescript';
import { expect, it } from 'vitest';

/** A module of the program as plain JavaScript. */
const plain = (file: string): string =>
  ts.transpile(readFileSync(new URL(file, import.meta.url), 'utf8'), {
    module: ts.ModuleKind.ESNext,
    target: ts.ScriptTarget.ESNext,
  });

it.runIf(process.platform === 'linux')('a thread that yields is less urgent than the one that began it', async () => {
  const before = getPriority();
  const program = `${plain('../src/threads/lowPriority.ts')}
    import { parentPort } from 'node:worker_threads';
    yieldToRequests();
    parentPort.postMessage(getPriority());`;
  const worker = new Worker(new URL(`data:text/javascript,${encodeURIComponent(program)}`));
  const [inside] = (await once(worker, 'message')) as [number];
  await worker.terminate();
  expect([inside, getPriority()]).toEqual([Math.min(19, before + 10), before]);
});

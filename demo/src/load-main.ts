/** The loader as a process: the address of the server is its argument. */
import { loadDemo } from './load';

await loadDemo(process.argv[2] ?? 'http://127.0.0.1:4310', (line) => console.log(`  ${line}`));

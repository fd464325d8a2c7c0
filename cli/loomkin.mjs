#!/usr/bin/env node
// The command line, run from source: it works from a clone after `npm ci`, without a build.
import { register } from 'tsx/esm/api';

register();
const { main } = await import('./src/main.ts');
process.exitCode = await main(process.argv.slice(2));

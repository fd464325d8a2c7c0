/** What is said: results on standard output, everything else on standard error. */

export const give = (result: unknown): void => void process.stdout.write(`${JSON.stringify(result, null, 2)}\n`);
export const giveText = (text: string): void => void process.stdout.write(`${text}\n`);
export const say = (text: string): void => void process.stderr.write(`${text}\n`);

/** Remedies of several findings made into one change. */
import type { SingleCommand } from '../change/commands';
import type { Finding, Pairing } from './context';

export interface Mend {
  commands: SingleCommand[];
  pairings: Pairing[];
  /** Children that are to take the next free GTINs. */
  numbersFor: string[];
}

/** What mends all these findings at once. Wishes for one channel are put together, so that none overwrites another. */
export function mendAll(findings: readonly Finding[]): Mend {
  const mend: Mend = { commands: [], pairings: [], numbersFor: [] };
  for (const { remedy } of findings) {
    if (remedy?.kind === 'pairing') mend.pairings.push(remedy.pairing);
    else if (remedy?.kind === 'numbers') mend.numbersFor.push(...remedy.childIds);
    else if (remedy?.kind === 'change') for (const command of remedy.commands) addCommand(mend.commands, command);
  }
  return mend;
}

function addCommand(commands: SingleCommand[], command: SingleCommand): void {
  const last = commands.at(-1);
  if (command.do === 'setFigures' && last?.do === 'setFigures') {
    commands[commands.length - 1] = { ...last, changes: [...last.changes, ...command.changes] };
    return;
  }
  const at =
    command.do === 'setWish'
      ? commands.findIndex((one) => one.do === 'setWish' && one.channel === command.channel)
      : -1;
  const there = commands[at];
  if (command.do === 'setWish' && there?.do === 'setWish') {
    commands[at] = {
      ...command,
      wish: { ...command.wish, leaveOut: [...new Set([...there.wish.leaveOut, ...command.wish.leaveOut])] },
    };
  } else commands.push(command);
}

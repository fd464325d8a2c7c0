/** Commands on a family, and running them. */
export { checkFamily, replaceWith } from './checkFamily';
export { type ChildFate, type Fate, childFates, countFates } from './childFates';
export { type Command, CommandSchema, type CreateFamily, CreateFamilySchema, type SingleCommand } from './commands';
export { createFamily } from './createFamily';
export { movedFigures } from './movedFigures';
export { renamesOf } from './renameWord';
export { type Changed, isStructural, runCommand } from './run';
export type { FigureChange } from './setFigures';

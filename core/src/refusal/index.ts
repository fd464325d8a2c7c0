/** What cannot be done, as a code with its sentence. */
export { Refusal, type RefusalAbout, type Unreadable, unreadable, unreadableText } from './refusal';
export { type RefusalCode, refusalText } from './refusalText';
export { schemaProblemText } from './schemaProblems';

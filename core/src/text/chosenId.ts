/** Ids that somebody chooses, and that records are looked up by. */
import { z } from 'zod';
import { isCommonName } from './own';

/** A text that may be the key of a record; each kind of id adds its own form. */
export const ChosenIdSchema = z
  .string()
  .refine((id) => !isCommonName(id), 'This name means something else to the program: choose another.');

/** Where a picture goes, how sure that is, and why. */
import type { Place } from '../../place/place';
import type { Angle } from '../angles';

export type MatchReason =
  | { code: 'gtin' | 'sku' | 'style' | 'name' | 'part-of-name'; text: string }
  | { code: 'label' | 'spelling' | 'code' | 'stem'; text: string; value: string }
  | { code: 'resembles'; text: string; value: string; why: 'slip' | 'short' | 'language' }
  | { code: 'colour'; value: string; difference: number }
  | { code: 'angle'; text: string; angle: Angle }
  | { code: 'here' }
  | { code: 'no-option' }
  | { code: 'same-for-all'; value: string }
  | { code: 'unknown-words'; text: string }
  | { code: 'two-values'; values: string[] }
  | { code: 'two-families'; names: string[] }
  | { code: 'no-such-child'; values: string[] }
  | { code: 'shade' | 'number-or-value'; text: string }
  | { code: 'nothing' };

export interface PictureMatch {
  /** Its number among the pictures that were given. */
  at: number;
  /** The likeliest family; null where none is. */
  familyId: string | null;
  /** The likeliest place there; null where that is asked about. */
  place: Place | null;
  angle: Angle | null;
  /** The number that its name ends in. */
  number: number | null;
  /** sure: it goes there unless somebody says otherwise; doubtful: it is asked about; none: nobody knows. */
  confidence: 'sure' | 'doubtful' | 'none';
  reasons: MatchReason[];
  /** Pictures with the same question are asked about together. */
  question: string | null;
}

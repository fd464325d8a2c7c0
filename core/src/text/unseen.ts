/**
 * Signs that nobody sees and that make one word two: zero-width spaces and joiners, marks of direction, soft hyphens, the byte order mark
 * (Unicode 15, Default_Ignorable_Code_Point, of which those that are typed or pasted by accident).
 */
export const UNSEEN = /[\u00ad\u200b-\u200f\u202a-\u202e\u2060-\u2064\ufeff]/g;

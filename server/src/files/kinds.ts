/** How a family leaves as a file. */
export const FAMILY_FILES = ['json', 'csv', 'xlsx'] as const;
export type FamilyFileKind = (typeof FAMILY_FILES)[number];

/** How a language is called: the tags of BCP 47 by the names Unicode gives them. */
const NAMES = new Intl.DisplayNames(['en'], { type: 'language' });

/** "German" for `de`; the tag itself where it has no name. */
export const languageName = (tag: string): string => NAMES.of(tag) ?? tag;

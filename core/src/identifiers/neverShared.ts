/** What no two goods have in common (common practice; GTINs by the GS1 General Specifications, section 4). */
export const NEVER_SHARED = ['sku', 'gtin', 'mpn', 'modelNumber', 'styleCode'];

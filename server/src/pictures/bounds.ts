/** How large a picture's file may be, wherever it comes from. */
export const MEGABYTES_AT_MOST = 25;

/** Control characters that no text of a seller has; tabs and line ends are let through. */
// eslint-disable-next-line no-control-regex
export const CONTROL_MARKS = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f]/;

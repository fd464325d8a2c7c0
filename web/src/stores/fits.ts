/** Fits of the open family, computed beside the page. */
import type { Fit } from '@loom-kin/core';

/** account → fit, as last computed. */
export type FitsByAccount = Record<string, Fit>;

import type { Fit } from '@loom-kin/core';

/** channel → fit, as last computed. */
export type FitsByChannel = Record<string, Fit>;

export const createEmptyFits = (): FitsByChannel => ({});

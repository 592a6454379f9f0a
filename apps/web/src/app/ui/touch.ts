/** Somebody works with a finger: lanes are as high as one needs. */
export const COARSE = window.matchMedia('(pointer: coarse)');
export const LEAST_TOUCH_PX = 44;

import { FLOATING } from '../constants/index.js';
import { newtons, type Newtons } from '../units/index.js';

/** What a block under a bridge bears once all strings are off: an estimate with its band. */
export interface BlockLoad {
  low: Newtons;
  likely: Newtons;
  high: Newtons;
}

/**
 * The springs of a level bridge hold the moment of the strings; without them a block at the depth of the hooks does. `pull`: of all strings together in tune. The band is
 * that of saddle heights and spring depths as they are made.
 */
export function blockLoad(pull: Newtons): BlockLoad {
  const { saddleHeight, springDepth } = FLOATING;
  return {
    low: newtons((pull * saddleHeight.low) / springDepth.high),
    likely: newtons((pull * saddleHeight.value) / springDepth.value),
    high: newtons((pull * saddleHeight.high) / springDepth.low),
  };
}

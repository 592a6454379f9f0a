import type { Answer, Question } from '@gold-peg/contract/calc';
import { done, type Outcome } from '@gold-peg/craft/outcome';
import { breakAngle, downforce, turnsForAngle, type NutRun } from '@gold-peg/craft/nut';
import { exitHeight } from '@gold-peg/craft/post';
import { fromDegrees, fromMillimetres, metres, newtons, toDegrees, toMillimetres } from '@gold-peg/craft/units';
import type { Fault } from './fault.js';

export function answerNut(asked: Question<'nut'>): Outcome<Answer<'nut'>, Fault> {
  const mm = fromMillimetres;
  const wrapped = { postDiameter: mm(asked.postDiameterMm), stringDiameter: mm(asked.stringDiameterMm) };
  const run: Omit<NutRun, 'exitHeight'> = {
    headstockAngle: fromDegrees(asked.headstockDeg),
    faceDrop: mm(asked.faceDropMm),
    along: mm(asked.alongMm),
    sideways: mm(asked.sidewaysMm),
    windingRadius: metres((wrapped.postDiameter + wrapped.stringDiameter) / 2),
    flank: asked.flank,
    tree: asked.tree === undefined ? null : { distance: mm(asked.tree.distanceMm), drop: mm(asked.tree.dropMm) },
  };
  const exit = exitHeight(mm(asked.holeHeightMm), asked.turns - asked.turnsAbove, wrapped);
  const angle = breakAngle({ ...run, exitHeight: exit });
  return done({
    verticalDeg: toDegrees(angle.vertical),
    lateralDeg: toDegrees(angle.lateral),
    totalDeg: toDegrees(angle.total),
    exitHeightMm: toMillimetres(exit),
    lifts: angle.lifts,
    treeTouched: angle.treeTouched,
    ...(asked.pullN === undefined ? {} : { downforceN: downforce(newtons(asked.pullN), angle.vertical) }),
    ...(asked.wantedDeg === undefined ? {} : { turnsForWanted: turnsOrNull(asked, run, wrapped, asked.wantedDeg) }),
  });
}

function turnsOrNull(
  asked: Question<'nut'>,
  run: Omit<NutRun, 'exitHeight'>,
  wrapped: Parameters<typeof turnsForAngle>[4],
  wantedDeg: number,
): number | null {
  const answer = turnsForAngle(fromDegrees(wantedDeg), run, fromMillimetres(asked.holeHeightMm), asked.turnsAbove, wrapped);
  return answer.kind === 'turns' ? answer.turns : null;
}

import { CUTTING } from '../constants/index.js';
import { pitchOf, type StringPlace } from '../instrument/index.js';
import { methodsFor } from '../methods/index.js';
import { stretchAtPost, type Stretch } from '../post/index.js';
import { loadString } from '../tension/index.js';
import { fromMillimetres, metres, type Metres } from '../units/index.js';
import { offcutOf } from './offcut.js';
import { retuningRoom } from './retuning-room.js';
import type { ClampPlan, WindRequest } from './wind-plan.js';

/**
 * A string of a headless instrument: cut at a clamp at the head, drawn up from the bridge by a screw that begins at its outer end. The screw has to draw
 * the slack first and then the stretch to pitch, and what travel is left is all that tuning up can use.
 * @throws RangeError for an instrument without screw tuners: the edges have checked.
 */
export function clampString({ instrument, index, string, choices = {}, cut }: WindRequest, place: StringPlace): ClampPlan | null {
  const { post } = place;
  const { screwTuner } = instrument;
  if (screwTuner === null || post.holeDepth === null) throw new RangeError(`no clamp or screw tuner for string ${index + 1}`);
  const load = loadString(string, place.scaleLength, pitchOf(instrument, place));
  const path = metres(instrument.bridge.behindSaddle + place.scaleLength + post.along);
  const stretch: Stretch = { path, strain: load.strain, creep: string.creep };
  const grip = metres(post.holeDepth - fromMillimetres(CUTTING.insideClamp.value));
  const slack = cut === undefined ? fromMillimetres(CUTTING.arcAtClamp.value) : metres(cut - grip);
  const stretched = stretchAtPost(stretch);
  const used = metres(slack + stretched);
  // pulled shorter than straight: the clamp's end of it is not reached
  if (slack < -stretched) return null;
  const left = metres(screwTuner.travel - used);
  const stretchIf = (stiffness: number, creep: number): Metres => stretchAtPost({ path, strain: load.pull / stiffness, creep });
  const { stiffness, creep } = string.range;
  const spread = stretchIf(stiffness[0], creep[1]) - stretchIf(stiffness[1], creep[0]);
  return {
    kind: 'clamp',
    methods: methodsFor({
      family: instrument.family,
      number: index + 1,
      style: post.style,
      anchor: instrument.bridge.anchor,
      string,
      choices,
    }),
    stretch,
    stretched,
    load,
    slack,
    slackRange: [metres(slack - spread / 2), metres(slack + spread / 2)],
    cut: metres(slack + grip),
    grip,
    screw: { travel: screwTuner.travel, used, turns: used / screwTuner.lead, left },
    room: retuningRoom({ string, load, path, gives: metres(Math.max(0, used)), takes: metres(Math.max(0, left)) }),
    offcut: offcutOf(instrument.family, string, path, metres(slack + grip)),
  };
}

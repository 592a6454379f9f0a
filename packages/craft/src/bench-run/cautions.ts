/** What can hurt or scrap, in the sentence that is shown where it applies. */
export const CAUTIONS = {
  eyes: 'Keep eyes and face away from a string that comes up to pitch; eye protection on.',
  'never-cut': 'Never cut under tension: the end whips and the neck jumps.',
  'loose-ends': 'Coil loose ends and bin them at once, never on the floor.',
  'cut-ends': 'Cut ends are needle sharp: hold the offcut while you cut it, coil it, bin it now.',
  stubs:
    'Stubs are needle sharp: hold the offcut while you cut it, coil it, bin it now. See a clinician if a wound is deep or dirty; keep tetanus cover current.',
  springs: 'Springs behind the cover plate are under load.',
  slip: 'Pliers and hex keys slip: pad them, and pull away from the top and from your hand.',
  choking: 'Children: string ends, pins and balls are a choking hazard.',
  unplug: 'Unplug what is connected to an amplifier; mains repairs belong to licensed electricians.',
  repairer: 'Frets, nut files, truss rods and bridges that lift go to a qualified repairer.',
  specialist: 'Soft old lacquer, lead and protected woods are a specialist’s work.',
  oils: 'Board oil: ventilate. Rags with drying oil can catch fire by themselves: dry them flat outdoors or keep them in water in a closed metal can; follow local rules.',
  'pin-tip': 'Lever pins by the shoulder: pliers on the tip break it. Never hammer one in.',
  'bridge-falls': 'The loose bridge stands only by tension: one string at a time.',
  'tailpiece-falls': 'Without strings it falls off its studs and dents the top: hold it, or pad the top.',
  'loop-jumps': 'A loop that jumps off its hook flies: eyes away, hand on the string.',
  'tie-runs': 'A tie that runs lets the end fly at the top. Never kink the speaking part: it breaks there.',
  'over-clamped': 'Too tight cuts the string or cracks the block. A ball that is cut off flies.',
  whips: 'Thick strings whip: hold the free end.',
  untwists: 'A thick string untwists by itself: let its free end turn in your fingers, face away, before it is fixed.',
  'claw-screws': 'Claw screws turn under load: the screwdriver slips; keep the other hand clear of it.',
  'loose-nut': 'What comes off a peg goes into the tray at once: nuts and washers are small, and children swallow them.',
  scratches: 'Keep the points off the finish. Tape only on hard modern finishes, peeled off sideways.',
} as const;
export type CautionKind = keyof typeof CAUTIONS;

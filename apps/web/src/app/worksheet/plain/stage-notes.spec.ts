import { describe, expect, it } from 'vitest';
import { stageNote, type PlainStageKind } from './stage-notes';

const STAGES: PlainStageKind[] = ['ready', 'strip', 'look-over', 'anchor', 'bring-up', 'settle', 'trim'];
const ANCHORS = ['pins', 'tie-block', 'top-load', 'resting-vibrato', 'hooked-tailpiece'] as const;
const all = STAGES.flatMap((stage) => ANCHORS.map((anchor) => [stage, anchor] as const));

describe('notes of a stage', () => {
  it.each(all)('%s at %s: has what to do, a check and a caution', (stage, anchor) => {
    const note = stageNote(stage, anchor);
    for (const text of [note.does, note.check, note.caution]) expect(text.length).toBeGreaterThan(20);
    expect(note.done).not.toBe('');
  });

  it('slackens before it takes off or cuts, at every bridge', () => {
    for (const anchor of ANCHORS) {
      const { does, caution } = stageNote('strip', anchor);
      expect(does).toMatch(/slacken|tension out/i);
      expect(`${does} ${caution}`).not.toMatch(/^cut/i);
    }
    for (const anchor of ['pins', 'top-load', 'tie-block', 'resting-vibrato'] as const)
      expect(stageNote('strip', anchor).caution).toContain('Never cut under tension');
  });

  it('takes loose bridges one string at a time and marks their place first', () => {
    const { does, caution } = stageNote('strip', 'hooked-tailpiece');
    expect(`${does} ${caution}`).toMatch(/one at a time/i);
    expect(does).toContain('mark its place');
  });

  it('keeps eyes away wherever a string comes up to pitch, and sends repairs to a repairer', () => {
    for (const stage of ['bring-up', 'settle'] as const) expect(stageNote(stage, 'pins').caution).toContain('eyes and face away');
    expect(stageNote('look-over', 'pins').caution).toContain('qualified repairer');
    expect(stageNote('trim', 'pins').caution).toContain('clinician');
  });

  it('never hammers a pin, never pulls a tie upward', () => {
    expect(stageNote('anchor', 'pins').caution).toContain('Never hammer');
    expect(stageNote('anchor', 'tie-block').check).toContain('never upward');
  });
});

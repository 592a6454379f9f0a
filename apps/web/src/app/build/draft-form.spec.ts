import { TestBed } from '@angular/core/testing';
import { describe, expect, it } from 'vitest';
import { fromInstrument } from '@gold-peg/contract/register';
import { instrumentOf } from '@gold-peg/craft/archetypes';
import { GeometryDraft } from './draft';
import { DraftForm } from './draft-form';
import { HUNDREDTHS, NOTE, STRING_NUMBERS, TENTHS } from './draft-ways';

describe('a draft as a form', () => {
  const begun = (kind: string) => {
    TestBed.configureTestingModule({ providers: [GeometryDraft, DraftForm] });
    const draft = TestBed.inject(GeometryDraft);
    draft.begin(fromInstrument(instrumentOf(kind)));
    return { draft, form: TestBed.inject(DraftForm) };
  };

  it('shows what a rule can show and keeps the exact figure until it is typed over', () => {
    const { draft, form } = begun('bass-in-line');
    const at = 'strings.1.post.sidewaysMm';
    const sideways = form.control({ at, way: TENTHS, measure: 'posts' });
    expect(sideways.value).toBe(1.3);
    expect(draft.geometry()?.strings[1]?.post.sidewaysMm).toBeCloseTo(4 / 3, 9); // a third of the way, in thirds of a millimetre
    sideways.setValue(1.25);
    TestBed.tick();
    expect(draft.geometry()?.strings[1]?.post.sidewaysMm).toBe(1.25);
    expect(sideways.value).toBe(1.25); // as it was typed, not as it would be shown
    expect(draft.geometry()?.measured).toContain('posts');
    expect(form.control({ at, way: TENTHS })).toBe(sideways);
  });

  it('follows what was changed elsewhere, and says at a field what of it cannot be until it can', () => {
    const { draft, form } = begun('bass-in-line');
    const scale = form.control({ at: 'strings.0.scaleMm', way: HUNDREDTHS });
    scale.setValue(null);
    TestBed.tick();
    expect(scale.value).toBeNull();
    expect(scale.getError('says')).toMatch(/^must be/);
    expect(draft.faults().map(({ at }) => at)).toEqual(['strings.0.scaleMm']);
    draft.revert();
    TestBed.tick();
    expect([scale.value, scale.valid]).toEqual([864, true]);
  });

  it('reads notes and lists of strings by the keys that a keyboard has', () => {
    const { draft, form } = begun('bass-in-line');
    form.control({ at: 'strings.3.note', way: NOTE }).setValue(' Db1');
    form.control({ at: 'trees.0.strings', way: STRING_NUMBERS }).setValue('1, 2 3');
    expect(draft.geometry()?.strings[3]?.note).toBe('D♭1');
    expect(draft.geometry()?.trees[0]?.strings).toEqual([0, 1, 2]);
    expect(draft.faults()).toEqual([]);
  });
});

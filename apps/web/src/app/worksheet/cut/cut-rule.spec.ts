import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { beforeEach, describe, expect, it } from 'vitest';
import { instrumentOf } from '@gold-peg/craft/archetypes';
import { windString, type WindPlan } from '@gold-peg/craft/procedure';
import { setsFor, stringProperties } from '@gold-peg/craft/strings';
import { DEFAULT_PREFERENCES } from '@gold-peg/contract/people';
import { toInches, toMillimetres, type Metres } from '@gold-peg/craft/units';
import { Session } from '../../session/session';
import { CutRule } from './cut-rule';

function planOf(): WindPlan {
  const instrument = instrumentOf('acoustic-parlour');
  const spec = setsFor('acoustic', 6)[2]?.strings[3];
  const properties = spec === undefined ? null : stringProperties(spec);
  const plan = properties?.ok === true ? windString({ instrument, index: 3, string: properties.value }) : null;
  if (plan === null) throw new Error('no plan');
  return plan;
}

describe('the cut rule', () => {
  const plan = planOf();
  let fixture: ComponentFixture<CutRule>;
  let moved: Metres[];
  const mark = () => (fixture.nativeElement as HTMLElement).querySelector<SVGElement>('[role=slider]');

  beforeEach(async () => {
    fixture = TestBed.createComponent(CutRule);
    fixture.componentRef.setInput('plan', plan);
    fixture.componentRef.setInput('cut', plan.cut);
    moved = [];
    fixture.componentInstance.moved.subscribe((cut) => moved.push(cut));
    await fixture.whenStable();
  });

  const press = (key: string) => mark()?.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));

  it('is a slider that says where its mark stands and what that place gives', () => {
    expect(Number(mark()?.getAttribute('aria-valuenow'))).toBeCloseTo(toMillimetres(plan.cut), 1);
    expect(mark()?.getAttribute('aria-valuetext')).toMatch(/mm past the post, good$/);
  });

  it('moves by a millimetre with an arrow and by ten with a page key', () => {
    press('ArrowRight');
    press('PageDown');
    const start = Math.round(toMillimetres(plan.cut));
    expect(moved.map(toMillimetres)).toEqual([start + 1, start - 10].map((mm) => expect.closeTo(mm, 9)));
  });

  it('goes where it is dragged along its scale', () => {
    const svg = (fixture.nativeElement as HTMLElement).querySelector('svg');
    const box = svg?.getBoundingClientRect();
    const longest = Number(mark()?.getAttribute('aria-valuemax'));
    // the scale runs from 16 to 464 of 480
    const x = (box?.left ?? 0) + ((16 + (448 * 50) / longest) / 480) * (box?.width ?? 0);
    const at = { clientX: x, clientY: (box?.top ?? 0) + 5, bubbles: true, view: window };
    svg?.dispatchEvent(new MouseEvent('mousedown', at));
    window.dispatchEvent(new MouseEvent('mouseup', at));
    expect(toMillimetres(moved[0] ?? (0 as Metres))).toBeCloseTo(50, 0);
  });

  it('is marked in sixteenths of an inch for those who measure so', async () => {
    const session = TestBed.inject(Session);
    session.person.set({ id: 'p', name: 'P', role: 'owner', version: 1, preferences: { ...DEFAULT_PREFERENCES, lengths: 'in' } });
    await fixture.whenStable();
    expect(mark()?.getAttribute('aria-valuetext')).toMatch(/^2\.\d+ in past the post/);
    press('ArrowRight');
    const sixteenths = toInches(moved[0] ?? (0 as Metres)) * 16;
    expect(sixteenths).toBeCloseTo(Math.round(sixteenths), 9);
    expect(moved[0]).toBeGreaterThan(plan.cut);
  });

  it('stays where it is once the job was handed over', async () => {
    fixture.componentRef.setInput('fixed', true);
    await fixture.whenStable();
    press('ArrowRight');
    const svg = (fixture.nativeElement as HTMLElement).querySelector('svg');
    svg?.dispatchEvent(new MouseEvent('mousedown', { clientX: 40, clientY: 40, bubbles: true, view: window }));
    expect(moved).toEqual([]);
  });

  it('names its zones from scrap on', () => {
    const names = [...(fixture.nativeElement as HTMLElement).querySelectorAll('.zone-name')].map((name) => name.textContent);
    expect(names.slice(0, 3)).toEqual(['scrap', 'few', 'good']);
  });
});

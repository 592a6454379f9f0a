import { describe, expect, it } from 'vitest';
import { keyAction } from './keys';

function press(key: string, target: HTMLElement = document.body, more: Partial<KeyboardEvent> = {}) {
  return keyAction({ key, target, shiftKey: false, ctrlKey: false, altKey: false, metaKey: false, defaultPrevented: false, ...more }, 6);
}
function element(html: string): HTMLElement {
  const box = document.createElement('div');
  box.innerHTML = html;
  return box.firstElementChild as HTMLElement;
}

describe('keys of the worksheet', () => {
  it('pick a lane by its string number, and none that the instrument does not have', () => {
    expect(press('1')).toEqual({ kind: 'lane', index: 0 });
    expect(press('6')).toEqual({ kind: 'lane', index: 5 });
    expect(press('7')).toBeNull();
    expect(press('0')).toBeNull();
  });

  it('go on with Space, back with Backspace, along the rule with the arrows', () => {
    expect(press(' ')).toEqual({ kind: 'done' });
    expect(press('Backspace')).toEqual({ kind: 'take-back' });
    expect(press('ArrowRight')).toEqual({ kind: 'stage', by: 1 });
    expect(press('ArrowLeft')).toEqual({ kind: 'stage', by: -1 });
    expect(press('w')).toEqual({ kind: 'why' });
    expect(press('?')).toEqual({ kind: 'keys' });
    expect(press('x')).toEqual({ kind: 'scrap' });
    expect(press('p')).toEqual({ kind: 'pause' });
    expect(press(' ', document.body, { shiftKey: true })).toEqual({ kind: 'done-together' });
  });

  it('belong to a field or a list while that has the focus', () => {
    for (const html of ['<input>', '<textarea></textarea>', '<div role="combobox"></div>']) {
      for (const key of [' ', '1', 'Backspace', 'ArrowLeft', 'w']) expect(press(key, element(html))).toBeNull();
    }
  });

  it('go on working after a mark was pushed: it takes the arrows, and what puts it back, alone', () => {
    const mark = element('<g role="slider" tabindex="0"></g>');
    for (const key of ['ArrowLeft', 'ArrowUp', 'PageDown', 'Home']) expect(press(key, mark)).toBeNull();
    expect(press(' ', mark)).toEqual({ kind: 'done' });
    expect(press('4', mark)).toEqual({ kind: 'lane', index: 3 });
    expect(press('w', mark)).toEqual({ kind: 'why' });
    expect(press('Backspace', mark)).toEqual({ kind: 'take-back' });
    expect(press('Escape', mark)).toEqual({ kind: 'leave' });
  });

  it('take a string into the job or out of it', () => expect(press('o')).toEqual({ kind: 'pick' }));

  it('are had back from a field or a button by Escape', () => {
    expect(press('Escape', element('<input>'))).toEqual({ kind: 'leave' });
    expect(press('Escape', element('<select></select>'))).toEqual({ kind: 'leave' });
    expect(press('Escape', element('<button>checked</button>'))).toEqual({ kind: 'leave' });
    expect(press('Escape')).toBeNull();
  });

  it('let a button be pressed by Space, but not a lane that was picked', () => {
    expect(press(' ', element('<button>take back</button>'))).toBeNull();
    expect(press(' ', element('<button data-lane>4</button>'))).toEqual({ kind: 'done' });
    expect(press('Enter', element('<a href="#">Strip</a>'))).toBeNull();
    expect(press('Enter', element('<button data-lane>4</button>'))).toEqual({ kind: 'edit' });
  });

  it('leave combinations and what others have taken alone', () => {
    expect(press('w', document.body, { ctrlKey: true })).toBeNull();
    expect(press(' ', document.body, { defaultPrevented: true })).toBeNull();
  });
});

import { FormControl, FormGroup } from '@angular/forms';
import { describe, expect, it } from 'vitest';
import { problem } from '@gold-peg/contract/problems';
import { ownerDraft } from '@gold-peg/contract/register';
import { stockRow } from '@gold-peg/contract/stock';
import { ServerProblem } from '../server/server-problem';
import { heldTo, readForm, sayRefusal } from '.';

const { name, contact } = ownerDraft.shape;
const anOwner = () =>
  new FormGroup({
    name: new FormControl('Jessamy Roke', { nonNullable: true, validators: heldTo(name) }),
    contact: new FormControl('', { nonNullable: true, validators: heldTo(contact) }),
  });

describe('a form that is held to the contract', () => {
  it('has the sentence of the schema for its error, and none where the schema has none', () => {
    const { controls } = anOwner();
    expect(controls.name.errors).toBeNull();
    controls.name.setValue('  ');
    expect(controls.name.getError('says')).toMatch(/must not be empty|must be/);
    controls.name.setValue('x'.repeat(81));
    expect(controls.name.getError('says')).toContain('80');
  });

  it('takes an empty number for what it is: nothing, and says what is wanted', () => {
    const counted = new FormControl<number | null>(null, heldTo(stockRow.shape.counted));
    expect(counted.getError('says')).toContain('must be');
    counted.setValue(3);
    expect(counted.valid).toBe(true);
  });

  it('is read in the shape of the contract, or shows every fault and keeps what was typed', () => {
    const form = anOwner();
    form.setValue({ name: '', contact: 'x'.repeat(201) });
    expect(readForm(form, ownerDraft)).toBeNull();
    expect([form.controls.name.touched, form.controls.contact.touched]).toEqual([true, true]);
    expect(form.value.contact).toHaveLength(201);
    form.setValue({ name: ' Petroc Pell ', contact: '' });
    expect(readForm(form, ownerDraft)).toEqual({ name: 'Petroc Pell', contact: '' });
  });

  it('shows what two fields say together at the one that the rule names', () => {
    const number = (value: number) => new FormControl(value, { nonNullable: true });
    const text = (value: string) => new FormControl(value, { nonNullable: true });
    const form = new FormGroup({
      kind: text('set'),
      id: text('g-1'),
      counted: number(3),
      shelf: text(''),
      reorderAt: number(6),
      reorderTo: number(2),
    });
    expect(readForm(form, stockRow)).toBeNull();
    expect(form.controls.reorderTo.getError('says')).toContain('must not be less than the number below which');
    form.controls.reorderAt.setValue(1); // the other one of the two is mended: nothing is wrong with this one any more
    expect(readForm(form, stockRow)).toMatchObject({ reorderAt: 1, reorderTo: 2 });
    expect(form.controls.reorderTo.valid).toBe(true);
  });
});

describe('a form that the server refused', () => {
  const refused = (fields: { field: string; says: string }[]) => new ServerProblem(problem('invalid', 'it cannot be so', fields));

  it('shows each fault at its field until that is changed, and keeps what was typed', () => {
    const form = anOwner();
    expect(sayRefusal(form, refused([{ field: 'name', says: 'must be new' }]))).toBe('');
    expect(form.controls.name.getError('says')).toBe('must be new');
    expect(form.value).toEqual({ name: 'Jessamy Roke', contact: '' });
    form.controls.name.setValue('Jessamy Thrift');
    expect(form.valid).toBe(true);
  });

  it('says of the whole what belongs to no field of it', () => {
    const form = anOwner();
    expect(sayRefusal(form, refused([{ field: 'version', says: 'is old' }]))).toBe('it cannot be so');
    expect(sayRefusal(form, new ServerProblem(problem('taken', 'That is taken.')))).toBe('That is taken.');
    expect(form.valid).toBe(true);
  });
});

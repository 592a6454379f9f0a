import type { FormGroup } from '@angular/forms';
import { invalidInput } from '@gold-peg/contract/problems';
import type * as z from 'zod';
import { sayProblem, ServerProblem } from '../server/server-problem';
import { SAYS } from './held-to';

/** What a form holds, in the shape of the contract; null where that cannot be, with every fault shown at its field. */
export function readForm<Schema extends z.ZodType>(form: FormGroup, schema: Schema): z.output<Schema> | null {
  for (const control of Object.values(form.controls)) control.updateValueAndValidity(); // what was said of the form as it was is over
  const read = schema.safeParse(form.getRawValue());
  if (read.success) return read.data;
  sayRefusal(form, new ServerProblem(invalidInput(read.error)));
  return null;
}

/**
 * Puts what a refusal says of each field at its control, where it stays until the field is changed; what was typed stays as well. Returns what is to be said of the
 * whole; empty where the fields say it all.
 */
export function sayRefusal(form: FormGroup, error: unknown): string {
  const fields = error instanceof ServerProblem ? (error.problem.fields ?? []) : [];
  const known = fields.flatMap(({ field, says }) => {
    const control = form.get(field);
    return control === null ? [] : [{ control, says }];
  });
  for (const { control, says } of known) control.setErrors({ [SAYS]: says });
  form.markAllAsTouched();
  return known.length > 0 && known.length === fields.length ? '' : sayProblem(error);
}

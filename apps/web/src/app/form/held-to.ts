import type { ValidatorFn } from '@angular/forms';
import { issueFields } from '@gold-peg/contract/problems';
import type * as z from 'zod';

/** Under this name a control keeps the sentence that says what is wrong with it, whether a schema or the server found it. */
export const SAYS = 'says';

/** The first sentence that a schema says of what it refused. */
export const faultOf = (error: z.ZodError): string => issueFields(error)[0]?.says ?? '';

/** Holds a control to a rule of the contract: the sentence of the schema is its error. */
export const heldTo =
  (schema: z.ZodType): ValidatorFn =>
  ({ value }) => {
    const read = schema.safeParse(value);
    return read.success ? null : { [SAYS]: faultOf(read.error) };
  };

/** Holds a control to what is said elsewhere of the number that it shows, in the shape of the contract: null where nothing is wrong. */
export const heldBy =
  (says: () => string | null): ValidatorFn =>
  () => {
    const fault = says();
    return fault === null ? null : { [SAYS]: fault };
  };

/** What a question asks that the craft cannot do: the field at fault and why. */
export interface Fault {
  field: string;
  says: string;
}

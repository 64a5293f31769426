/** A file's value before anything is known of it: what is not there, or of another shape, reads as empty. */
export const record = (value: unknown): Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value) ? (value as Record<string, unknown>) : {};
export const list = (value: unknown): readonly unknown[] => (Array.isArray(value) ? (value as unknown[]) : []);
export const number = (value: unknown): number => (typeof value === 'number' ? value : NaN);

/** Every thing of a list changed; a list that is none is left to the schema to refuse. */
export const each = (value: unknown, change: (one: Readonly<Record<string, unknown>>) => object): unknown =>
  Array.isArray(value) ? value.map((one: unknown) => change(record(one))) : value;

/**
 * A value that is there because of something else that holds.
 *
 * @param because what holds it there; the message of the error when it did not
 */
export function held<T>(value: T | null | undefined, because: string): T {
  if (value === null || value === undefined) throw new Error(`not so: ${because}`);
  return value;
}

/** Something that came from outside and cannot be used. The message is for the person: what was expected, what came. */
export class InputFault extends Error {
  /** @param field path of the offending field, such as `body.widthPx`, where there is one */
  constructor(
    message: string,
    readonly field: string | null = null,
    options?: ErrorOptions,
  ) {
    super(message, options);
    this.name = 'InputFault';
  }
}

/** The words of anything that was thrown. */
export function wordsOf(thrown: unknown): string {
  return thrown instanceof Error ? thrown.message : String(thrown);
}

/** Something that can be done by one press. */
export interface Offer {
  words: string;
  /** What stands on its button. */
  press: string;
  run(): void;
}

/**
 * What a person has written or chosen has no meaning. The message is a sentence for that person. Every other error is a
 * fault of the program, and is never shown as theirs.
 *
 * @example throw new Unreadable('A year has quarters 1 to 4.')
 */
export class Unreadable extends RangeError {
  override name = 'Unreadable'
}

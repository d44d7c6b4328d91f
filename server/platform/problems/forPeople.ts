/** An error whose message is a sentence for a person. What every other one says stays in the log. */
export class ForPeople extends Error {}

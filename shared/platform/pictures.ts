/** The kinds of pictures that are kept of posts (media types). */
export const PICTURE_TYPES: readonly string[] = ['image/svg+xml', 'image/png', 'image/jpeg', 'image/webp', 'image/gif']

/** The largest picture of a post that is kept, in bytes. */
export const MOST_PICTURE_BYTES = 1_000_000

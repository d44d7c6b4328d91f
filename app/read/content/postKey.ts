/** What tells a post from another. */
export const postKey = ({ profile, id }: { profile: number; id: string }): string => `${profile} ${id}`

/** Resolves when what is there now has been painted: two frames later. */
export const nextFrames = (): Promise<void> =>
  new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(() => resolve())))

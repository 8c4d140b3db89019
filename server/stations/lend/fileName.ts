/** A name of a file out of a name of a thing; `otherwise` where nothing of it can stand in one. */
export const fileName = (name: string, otherwise: string): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '') || otherwise;

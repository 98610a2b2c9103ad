/** In place of a method: works that need no product, alone. */
export const WORKS_ALONE = 'work';

/** How pictures of pieces are kept. */
export const PICTURE_FORMAT = { type: 'image/webp', quality: 0.86 } as const;

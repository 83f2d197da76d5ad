/** How `check` can say what it found. */
export const formats = ['text', 'json', 'sarif'] as const;

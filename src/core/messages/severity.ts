/** How much a message matters, the worst first. */
export const severities = ['error', 'warning', 'hint'] as const;

export type Severity = (typeof severities)[number];

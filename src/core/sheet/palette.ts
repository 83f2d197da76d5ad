import type { Palette } from './svg-style.ts';

/** Tokens of the theme, by what the drawings use them for. */
const tokens = {
	sheet: '--sheet',
	ink: '--ink',
	secondary: '--ink-2',
	hair: '--hair',
	rule: '--rule',
	fault: '--fault',
	accent: '--cedar',
	graphite: '--graphite',
	sans: '--sans',
	mono: '--mono'
} as const;
const hues = ['--l1', '--l2', '--l3', '--l4', '--l5'];

/** The palette of a theme, by the values of its tokens. */
export function paletteOf(valueOf: (token: string) => string): Palette {
	return {
		sheet: valueOf(tokens.sheet),
		ink: valueOf(tokens.ink),
		secondary: valueOf(tokens.secondary),
		hair: valueOf(tokens.hair),
		rule: valueOf(tokens.rule),
		fault: valueOf(tokens.fault),
		accent: valueOf(tokens.accent),
		graphite: valueOf(tokens.graphite),
		sans: valueOf(tokens.sans),
		mono: valueOf(tokens.mono),
		hues: hues.map(valueOf)
	};
}

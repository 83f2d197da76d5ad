import type { SettingsAt } from '../../model/setting.ts';
import { splitSizes } from '../../size/css-tokens.ts';
import type { CssText } from '../declarations.ts';
import type { Inside } from '../placed.ts';

/** The gap between members; a setting of the box wins over its arrangement's own. */
export function gapOf(inside: Inside, settings: SettingsAt): readonly CssText[] | undefined {
	if (inside.kind === 'flow') return undefined;
	const own = inside.kind === 'strip' ? undefined : inside.gap?.text;
	return settings.gap ?? (own === undefined ? undefined : splitSizes(own));
}

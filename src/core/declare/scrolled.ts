import type { SettingsAt } from '../model/setting.ts';
import type { Trial } from '../model/trial.ts';
import type { Declarations } from '../settings/declarations.ts';
import { shrinkOf } from '../settings/member/stick.ts';
import { sumOf, withUnit } from '../size/sums.ts';

/**
 * What a box is declared as once what it scrolls with has been scrolled by some px: what shrinks has shrunk, and has
 * below it what it lost. Where the visitor has asked for less motion it slides up under the edge by as much.
 */
export function declaredScrolled(
	atRest: Declarations,
	settings: SettingsAt,
	px: number,
	trial: Trial
): Declarations {
	const shrink = shrinkOf(settings);
	if (!shrink || px <= 0 || trial.printed || atRest.position !== 'sticky') return atRest;
	const [from, to] = [withUnit(shrink.from), withUnit(shrink.to)];
	if (trial.lessMotion) {
		const inset = atRest['inset-block-start'] ?? '0';
		return { ...atRest, 'inset-block-start': `calc(${withUnit(inset)} + ${to} - ${from})` };
	}
	const below = atRest['margin-block-end'];
	const lost = `min(${from} - ${to}, ${px}px)`;
	return {
		...atRest,
		height: `max(${to}, ${from} - ${px}px)`,
		'margin-block-end': sumOf([...(below === undefined ? [] : [below]), lost])
	};
}

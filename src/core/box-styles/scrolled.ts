import type { SettingsAt } from '../model/setting.ts';
import type { Trial } from '../model/trial.ts';
import type { Declarations } from '../settings/declarations.ts';
import { shrinkOf } from '../settings/member/stick.ts';
import { sumOf, withUnit } from '../size/sums.ts';

/**
 * What a box is declared as once what it scrolls with has been scrolled by some px: what shrinks has shrunk, and has
 * below it what it lost. Where the visitor has asked for less motion it is small from the start.
 */
export function declaredScrolled(
	atRest: Declarations,
	settings: SettingsAt,
	px: number,
	trial: Trial
): Declarations {
	const shrink = shrinkOf(settings);
	if (!shrink || trial.printed || atRest.position !== 'sticky') return atRest;
	if (trial.lessMotion) return { ...atRest, height: shrink.to };
	if (px <= 0) return atRest;
	const [from, to] = [withUnit(shrink.from), withUnit(shrink.to)];
	const below = atRest['margin-block-end'];
	const lost = `min(${from} - ${to}, ${px}px)`;
	return {
		...atRest,
		height: `max(${to}, ${from} - ${px}px)`,
		'margin-block-end': sumOf([...(below === undefined ? [] : [below]), lost])
	};
}

import type { Arrangement } from '../../model/arrange.ts';
import type { BoxRef } from '../../model/command.ts';
import type { Setting } from '../../model/setting.ts';
import type { Adjust } from '../../model/site.ts';
import { memberNamed } from '../../resolve/boxes/members.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { findLayer } from '../find.ts';
import type { Surgery } from '../surgery.ts';
import type { SaidBox } from './find-box.ts';

/** What a layer says of a box further out, as it is begun and ended. */

/** Lets a layer say something of a box further out of which it says nothing yet. */
export function beginAdjust(
	resolved: ResolvedSite,
	surgery: Surgery,
	ref: BoxRef,
	lines: readonly string[]
): void {
	if (!ref.only) return;
	const { span } = findLayer(resolved, ref.only);
	const head = `adjust ${targetWord(resolved, ref)} {`;
	const [line, ...others] = lines;
	if (line !== undefined && others.length === 0) {
		surgery.insertInto(span, [`${head} ${line} }`]);
	} else {
		surgery.insertInto(span, [head, ...lines.map((one) => `  ${one}`), '}']);
	}
}

/** A box as a layer names it: with its layout where one nearer has a box of that name. */
function targetWord(resolved: ResolvedSite, { only, layout, box = '' }: BoxRef): string {
	const chain = only ? resolved.structure.chainOf(findLayer(resolved, only)) : [];
	const nearest = chain.findLast((one) => memberNamed(one, box));
	return nearest?.name.text === layout ? box : `${layout}.${box}`;
}

/** Takes out one thing that is said of a box; what a layer says of a box further out goes whole with its last. */
export function removeSaid(box: SaidBox, surgery: Surgery, one: Setting | Arrangement): void {
	const isLast = isAdjust(box) && box.settings.length + box.arrangements.length === 1;
	surgery.remove(isLast ? box.span : one.span);
}

function isAdjust(box: SaidBox): box is Adjust {
	return box.kind === 'adjust';
}

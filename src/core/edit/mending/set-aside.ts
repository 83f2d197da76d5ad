import { canBeAllowed } from '../../check/allowances.ts';
import type { Allowance } from '../../model/site.ts';
import type { Span } from '../../model/span.ts';
import type { AllowRef } from '../../model/command.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { findLayer } from '../find.ts';
import { CommandRefused } from '../proposal.ts';
import type { Surgery } from '../surgery.ts';

/** Edits of what a text sets aside. */

interface Allowing {
	readonly span: Span;
	readonly allows: readonly Allowance[];
}

/** Sets findings of one kind aside in a layer or part, or for the whole site, with the reason. */
export function setAside(
	resolved: ResolvedSite,
	surgery: Surgery,
	code: string,
	ref: AllowRef,
	reason: string
): void {
	if (!canBeAllowed(code)) {
		throw new CommandRefused(
			`${code} cannot be ignored: the page cannot be right while it stands.`
		);
	}
	const words = reason.trim().replace(/\s+/g, ' ');
	if (words === '') throw new CommandRefused('Say why it is ignored, for whoever reads it next.');
	const { span, allows } = allowing(resolved, ref);
	const line = `allow ${code} "${words.replace(/["\\{]/g, (sign) => `\\${sign}`)}"`;
	const there = allows.find((one) => one.code.text === code);
	if (there) surgery.replace(there.span, line);
	else surgery.insertInto(span, [line]);
}

/** Takes that back. */
export function tellAgain(
	resolved: ResolvedSite,
	surgery: Surgery,
	code: string,
	ref: AllowRef
): void {
	const there = allowing(resolved, ref).allows.find((one) => one.code.text === code);
	if (!there) throw new CommandRefused(`${code} is not ignored there any more.`);
	surgery.remove(there.span);
}

function allowing(resolved: ResolvedSite, { kind, name }: AllowRef): Allowing {
	if (kind === 'site') return resolved.site.settings;
	if (kind !== 'part') return findLayer(resolved, { kind, name });
	const part = resolved.site.parts.find((one) => one.name.text === name);
	if (!part) throw new CommandRefused(`There is no part ${name} any more.`);
	return part;
}

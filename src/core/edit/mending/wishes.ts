import type { MendWish } from '../../model/wish.ts';
import { WishRefused } from '../proposal.ts';
import type { WishKinds } from '../wish-kind.ts';
import { setAside, tellAgain } from './set-aside.ts';

/** Those that are made of no others. */
type SingleMend = Exclude<MendWish, { readonly kind: 'mend-all' }>;

export const mendWishes: WishKinds<SingleMend> = {
	'mend-text': {
		label: ({ label }) => label,
		carryOut: (_, surgery, { span, was, insert }) => {
			if (surgery.textOf(span) !== was) {
				throw new WishRefused('The text there has been changed meanwhile: look again.');
			}
			surgery.replace(span, insert);
		}
	},
	'set-aside': {
		label: ({ code }) => `Set ${code} aside`,
		carryOut: (resolved, surgery, { code, in: where, reason }) =>
			setAside(resolved, surgery, code, where, reason)
	},
	'tell-again': {
		label: ({ code }) => `Tell ${code} again`,
		carryOut: (resolved, surgery, { code, in: where }) => tellAgain(resolved, surgery, code, where)
	}
};

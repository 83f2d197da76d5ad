import { error } from '../../messages/problem.ts';
import { alongLines, members, type SettingDefinition } from '../definition.ts';

/** Shares beside each other; more than this is as good as everything. */
const mostShare = 10_000;

export const size: SettingDefinition<'size'> = {
	kind: 'size',
	on: members,
	form: 'fill [SHARE] | hug | WIDTH',
	says: 'what it takes along the row or stack it is in',
	called: 'The size',
	first: 'fill',
	needs: {
		said: 'in a row or stack',
		met: ({ kind }) => kind === 'row' || kind === 'stack'
	},
	read(words) {
		if (words.takeWord('hug')) return { kind: 'hug' };
		if (!words.takeWord('fill')) {
			const fixed = words.takeRest(size.called);
			return fixed && { kind: 'fixed', size: fixed.text };
		}
		const written = words.takeNumber();
		if (!written) return { kind: 'fill', share: 1 };
		const share = Number(written.text);
		if (share > mostShare) {
			return words.refuse(error('number-too-large', written.span, 'The share to fill', mostShare));
		}
		return share > 0
			? { kind: 'fill', share }
			: words.refuse(error('fill-share-invalid', written.span));
	},
	sizes: (value) => (value.kind === 'fixed' ? [alongLines(value.size)] : []),
	declare({ around }, value) {
		const kind = around?.inside.kind;
		if ((kind !== 'row' && kind !== 'stack') || value.kind === 'hug') return {};
		if (value.kind === 'fill') return { flex: { grow: value.share, shrink: 1, basis: '0px' } };
		// Nothing says what a share of a stack's height would be a share of.
		if (kind === 'stack' && value.size.includes('%')) return {};
		return { flex: { grow: 0, shrink: 0, basis: value.size } };
	}
};

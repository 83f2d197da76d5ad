import type { DataRow, DataView } from '$core/view-models/material/data-view.ts';
import { editJson } from '$core/data/edit-json.ts';
import { newMember } from '$core/edit/content/data.ts';
import { valueAt } from '$core/resolve/instance.ts';
import { sources } from '$store/sources.svelte.ts';
import { commands } from '$store/commands.svelte.ts';

type Path = readonly (string | number)[];

/**
 * Edits of values where they are seen: in the site's own file, or for data from elsewhere at its source, which
 * a stand-in answers for. Each gives the sentence of a refusal.
 */
export const valueActions = {
	/** What was typed, as a value of the kind that stood there. */
	read(kind: DataRow['kind'], text: string): unknown {
		if (kind === 'boolean') return text === 'true';
		const number = Number(text);
		return kind === 'number' && text.trim() !== '' && Number.isFinite(number) ? number : text;
	},

	async set(source: DataView, path: Path, value: unknown): Promise<string | undefined> {
		const { name } = source;
		if (!source.isUrl) return commands.attempt({ kind: 'set-value', name, path, value });
		const text = (await sources.atSource(name)) ?? source.text ?? '{}';
		return sources.change(name, editJson(text, path, value));
	},

	async add(source: DataView, path: Path): Promise<string | undefined> {
		const { name } = source;
		if (!source.isUrl) return commands.attempt({ kind: 'add-member', name, path });
		const text = (await sources.atSource(name)) ?? source.text ?? '[]';
		const whole: unknown = JSON.parse(text);
		const list = valueAt(whole, path.map(String));
		if (!Array.isArray(list)) return 'There is no list there any more.';
		return sources.change(name, editJson(text, [...path, list.length], newMember(list)));
	}
};

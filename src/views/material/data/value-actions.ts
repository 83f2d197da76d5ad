import type { DataRow, DataView } from '$core/view-models/material/data-view.ts';
import { addColumn, ColumnRefused, removeColumn, renameColumn } from '$core/data/columns.ts';
import { editJson } from '$core/data/edit-json.ts';
import { newMember } from '$core/edit/content/data.ts';
import { valueAt } from '$core/resolve/instance.ts';
import { sources } from '$store/sources.svelte.ts';
import { commands } from '$store/commands.svelte.ts';

type Path = readonly (string | number)[];

type ColumnEdit =
	| { readonly kind: 'add-column' | 'remove-column'; readonly column: string }
	| { readonly kind: 'rename-column'; readonly column: string; readonly to: string };

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

	/** Adds, renames or removes a column of a list. */
	async column(source: DataView, path: Path, edit: ColumnEdit): Promise<string | undefined> {
		const { name } = source;
		if (!source.isUrl) return commands.attempt({ ...edit, name, path });
		const text = (await sources.atSource(name)) ?? source.text ?? '[]';
		try {
			return await sources.change(name, columnEdited(text, path, edit));
		} catch (failure) {
			if (failure instanceof ColumnRefused) return failure.message;
			throw failure;
		}
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

function columnEdited(text: string, path: Path, edit: ColumnEdit): string {
	if (edit.kind === 'add-column') return addColumn(text, path, edit.column);
	if (edit.kind === 'rename-column') return renameColumn(text, path, edit.column, edit.to);
	return removeColumn(text, path, edit.column);
}

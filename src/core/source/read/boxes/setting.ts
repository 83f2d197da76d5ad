import { error, type Problem } from '../../../messages/problem.ts';
import type { Setting, SettingKind } from '../../../model/setting.ts';
import { joinSpans, type Raw, type Span } from '../../../model/span.ts';
import { neededBy, readForm } from '../../../settings/form.ts';
import { settings, settingsOn } from '../../../settings/list.ts';
import type { BoxKind } from '../../../settings/placed.ts';
import type { Words } from '../../../settings/words.ts';
import { plainText } from '../../text/template.ts';
import type { ReadContext, Vocabulary } from '../block.ts';
import type { Cursor } from '../cursor.ts';

/** Reads the settings of one box, each once for a band. */
export class SettingsReader {
	readonly settings: Setting[] = [];
	readonly statements: Vocabulary['statements'];

	constructor(box: BoxKind, context: ReadContext) {
		this.statements = Object.fromEntries(
			settingsOn(box).map((kind) => [
				kind,
				(cursor) => this.add(readSetting(kind, cursor, context), context)
			])
		);
	}

	private add(setting: Setting | undefined, { problems }: ReadContext): void {
		if (!setting) return;
		const { kind, band, span } = setting;
		if (this.settings.some((one) => one.kind === kind && one.band?.text === band?.text)) {
			problems.push(error('said-twice', span, band ? `"${kind}" for @${band.text}` : `"${kind}"`));
		} else {
			this.settings.push(setting);
		}
	}
}

/** Reads a whole setting: its value, then the band it holds from. */
function readSetting(kind: SettingKind, cursor: Cursor, context: ReadContext): Setting | undefined {
	const start = cursor.peek()?.span ?? cursor.headSpan;
	const before = context.problems.length;
	// Its band is no part of the value.
	const words = cursor.statement.atoms
		.slice(1)
		.flatMap(({ text }) => (text.startsWith('@') ? [] : [text]));
	const setting = readValue(kind, cursor, context, start);
	if (!setting) sayForm(kind, words, context.problems, before);
	return setting;
}

const missing: ReadonlySet<string> = new Set(['value-missing', 'text-missing', 'number-missing']);

/** Where something of a value is missing, the sentence says all that it needs. */
function sayForm(
	kind: SettingKind,
	words: readonly string[],
	problems: Problem[],
	before: number
): void {
	const first = problems[before];
	if (!first || !missing.has(first.code)) return;
	const { called, form } = settings[kind];
	const { needs, example } = neededBy(form, words);
	const [head = ''] = words;
	const isWay =
		/^[a-z]/.test(head) && readForm(form).some(([place]) => place?.choices.includes(head));
	const what = isWay ? `A ${head}` : called;
	// What follows from it is not said as well.
	problems.splice(before, Infinity, error('value-form', first.span, what, needs, example));
}

function readValue(
	kind: SettingKind,
	cursor: Cursor,
	context: ReadContext,
	start: Span
): Setting | undefined {
	return settings[kind].readWhole(new StatementWords(cursor, context), () => {
		const end = cursor.lastTaken?.span ?? start;
		// What holds at every width names no band: one that stands there is said to be too much.
		const band = settings[kind].everywhere ? undefined : cursor.takeBand();
		cursor.finish();
		const { span } = cursor.statement;
		return { valueSpan: joinSpans(start, end), band, span };
	});
}

/** The words of a statement behind the setting's name. */
class StatementWords implements Words {
	constructor(
		private readonly cursor: Cursor,
		private readonly context: ReadContext
	) {}

	get hasWord(): boolean {
		return this.cursor.peek()?.kind === 'word';
	}

	takeWord(word: string): boolean {
		return this.cursor.takeWord(word) !== undefined;
	}

	takeChoice<T extends string>(what: string, choices: readonly T[]): T | undefined {
		return this.cursor.takeChoice(what, choices)?.text;
	}

	takeRest(what: string): Raw | undefined {
		return this.cursor.takeRest(this.context.text, what);
	}

	takeUntilText(what: string): Raw | undefined {
		return this.cursor.takeUntilText(this.context.text, what);
	}

	takeText(what: string): string | undefined {
		const atom = this.cursor.takeText(what);
		return atom && plainText(atom);
	}

	takeNumber(): Raw | undefined {
		return this.cursor.take('number');
	}

	takeCount(what: string, most: number): number | undefined {
		return this.cursor.takeCount(what, most);
	}

	takeWholeNumber(what: string, most: number): number | undefined {
		return this.cursor.takeWholeNumber(what, most);
	}

	takeInteger(what: string, most: number): number | undefined {
		return this.cursor.takeInteger(what, most);
	}

	refuse(problem: Problem): undefined {
		this.context.problems.push(problem);
	}
}

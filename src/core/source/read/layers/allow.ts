import { error } from '../../../messages/problem.ts';
import type { Allowance } from '../../../model/site.ts';
import { plainText } from '../../text/template.ts';
import type { Cursor } from '../cursor.ts';

/** `allow CODE "reason"`. Which codes there are is known only once all is checked. */
export class AllowReader {
	readonly allows: Allowance[] = [];

	readonly read = (cursor: Cursor): void => {
		const code = cursor.takeName('The word "allow"');
		if (!code) return;
		const what = `The word "allow" behind ${code.text}`;
		const said = cursor.takeText(what);
		cursor.finish();
		if (!said) return;
		const reason = { text: plainText(said), span: said.span };
		if (reason.text.trim() === '') {
			cursor.problems.push(error('reason-missing', reason.span, code.text));
		} else if (this.allows.some((one) => one.code.text === code.text)) {
			cursor.problems.push(error('listed-twice', code.span, 'The finding', code.text));
		} else {
			this.allows.push({ code, reason, span: cursor.statement.span });
		}
	};
}

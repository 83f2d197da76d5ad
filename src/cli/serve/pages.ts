import type { Problem } from '../../core/messages/problem.ts';
import { sentenceOf } from '../../core/messages/sentence.ts';
import { escapeHtml } from '../../core/emit/html/escape.ts';
import { placeWords } from '../../core/model/span.ts';

/** Pages that are of no site: who one is, and what is wrong with the text. */

const look = `body { max-width: 46rem; margin: 3rem auto; padding: 0 1rem; font: 16px/1.5 system-ui, sans-serif; color: #2c2620; background: #fbf8f1 }
h1 { font-size: 1.4rem }
code { font: 14px ui-monospace, monospace }
li { margin: 0 0 0.8rem }
button { margin: 0 0.5rem 0.5rem 0; padding: 0.5rem 1rem; font: inherit; color: inherit; background: none; border: 1px solid #8a5a3c; border-radius: 3px; cursor: pointer }
button[aria-pressed=true] { color: #fbf8f1; background: #8a5a3c }`;

function document(title: string, body: string): string {
	return [
		'<!DOCTYPE html>',
		'<html lang="en">',
		'<head>',
		'<meta charset="utf-8">',
		'<meta name="viewport" content="width=device-width, initial-scale=1">',
		`<title>${escapeHtml(title)}</title>`,
		`<style>${look}</style>`,
		'<script src="/.live.js" defer></script>',
		'</head>',
		`<body>\n${body}\n</body>`,
		'</html>\n'
	].join('\n');
}

/** What keeps the site from being shown: each error with its place. */
export function errorPage(
	problems: readonly Problem[],
	texts: ReadonlyMap<string, string>
): string {
	const errors = problems.filter(({ severity }) => severity === 'error');
	const items = errors.map(
		(problem) =>
			`<li><code>${escapeHtml(placeWords(problem.span, texts))}</code><br>${escapeHtml(sentenceOf(problem))}</li>`
	);
	const body = `<h1>The text has errors, so there is no page to show</h1>\n<ul>\n${items.join('\n')}\n</ul>\n<p>The page renews itself once they are fixed.</p>`;
	return document('Errors in the text', body);
}

/** Where one chooses who one is. It stands for a real sign-in, and keeps no one out. */
export function signInPage(
	roles: readonly string[],
	current: string | undefined,
	to: string
): string {
	const [first] = roles;
	const buttons = roles.map((role) => {
		const says = role === first ? `${role} (not signed in)` : role;
		const isCurrent = role === (current ?? first);
		return `<button name="role" value="${escapeHtml(role)}" aria-pressed="${isCurrent}">${escapeHtml(says)}</button>`;
	});
	const body =
		roles.length === 0
			? '<h1>Who are you?</h1>\n<p>This site has no roles, so everyone sees the same.</p>'
			: `<h1>Who are you?</h1>\n<p>This stands for your own sign-in: choose a role to see what it gets.</p>\n<form method="post" action="/sign-in"><input type="hidden" name="to" value="${escapeHtml(to)}">${buttons.join('\n')}</form>`;
	return document('Sign in', body);
}

import { loadLibraries } from '../../src/core/check/libraries.ts';
import { canBeAllowed } from '../../src/core/check/allowances.ts';
import { checks } from '../../src/core/check/list.ts';
import { foundElsewhere } from '../../src/core/check/elsewhere.ts';
import { mendOf, isSafe } from '../../src/core/check/mend.ts';
import { checkSite } from '../../src/core/check/site.ts';
import type { CheckedSite } from '../../src/core/check/checked-site.ts';
import { wholeExample, type Example } from '../../src/core/check/example.ts';
import { LookingOver } from '../../src/core/findings/look-over.ts';
import { severities } from '../../src/core/messages/severity.ts';
import { severityOf } from '../../src/core/messages/catalogue.ts';
import type { Problem } from '../../src/core/messages/problem.ts';
import { sentenceOf } from '../../src/core/messages/sentence.ts';
import { encodeUtf8 } from '../../src/core/lib/utf8.ts';
import { readSiteFiles } from '../../src/core/source/read.ts';

// Without it some of them would set off nothing.
await loadLibraries();

/** The document of all findings, made from the checks themselves: each with an example that sets it off, tried as it is written. */
export function findingsDocument(): string {
	const kinds = [...foundElsewhere, ...checks];
	const entries = kinds.flatMap((check) =>
		check.codes.map((code) => ({ code, check, example: check.examples[code] }))
	);
	const codes = [...new Set(entries.map(({ code }) => code))].sort();
	const parts = severities.map((severity) => {
		const own = codes.filter((code) => severityOf(code) === severity);
		const bodies = own.flatMap((code) => {
			const all = entries.filter((entry) => entry.code === code);
			const [first] = all;
			if (!first) return [];
			const examples = all.flatMap(({ example }) => (example ? exampleText(code, example) : []));
			const { what, why } = first.check;
			const allow = canBeAllowed(code) ? '' : severity === 'error' ? '' : ' It cannot be ignored.';
			return [[`### ${code}`, '', `${what} ${why}${allow}`, '', ...examples].join('\n')];
		});
		return [`## ${title[severity]}`, '', ...bodies].join('\n');
	});
	return [head, ...parts].join('\n');
}

const title = { error: 'Errors', warning: 'Warnings', hint: 'Hints' } as const;

const head = `# Findings

What is wrong or doubtful in a site, by its code. An error keeps the site from being delivered; a warning says that something is most likely wrong;
a hint, that something might be better or is not needed. A finding of one cause is one finding, on however many pages it shows. What rests on sizes
of content that were guessed says so, until they are measured.

Warnings and hints can be ignored in the layer or part they concern, with a reason: \`allow measure-too-long "a poem keeps its lines"\`. As a layout
covers its pages, what it ignores is ignored on them; what \`site\` ignores, everywhere. An allowance that allows nothing any more is a hint.
Errors that are found as text is read, and are nothing but slips of the pen, are not listed here.

In each example the line \`site "Seed library" { lang en; bands { narrow 0; wide 1000 } }\` is left out where it is as it is here. This page is made by
\`npm run findings\` from the checks themselves. Lines with − are those that set it off, those with + are in their place once it is fixed; both sites are run\nas tests.
`;

function exampleText(code: string, { wrong, mended, files }: Example): string[] {
	const site = siteOf(wrong, files);
	const problem = problemIn(site, code);
	const names = Object.keys(files ?? {});
	const mend = problem && mendOf(problem, site);
	return [
		...(names.length > 0
			? [`Beside it: ${names.map((name) => `\`${name}\``).join(', ')}.`, '']
			: []),
		difference(wrong, mended),
		...(problem ? [`> ${sentenceOf(problem)}`, ''] : []),
		...(problem && mend
			? [
					`There is a fix${isSafe(problem, site) ? ', which \`check --fix\` makes by itself' : ' to look at and take'}.`,
					''
				]
			: [])
	];
}

/** Some examples are long only because something is too long. */
const longest = 400;

/** What sets it off, and in its place what does not. */
function difference(wrong: string, mended: string): string {
	const [before, after] = [wrong.split('\n'), mended.split('\n')];
	let start = 0;
	while (start < before.length && before[start] === after[start]) start++;
	let end = 0;
	const most = Math.min(before.length, after.length) - start;
	while (end < most && before.at(-1 - end) === after.at(-1 - end)) end++;
	const shortened = (line: string): string =>
		line.length > longest ? `${line.slice(0, longest)} …` : line;
	const lines = [
		...before.slice(0, start).map((line) => `  ${line}`),
		...before.slice(start, before.length - end).map((line) => `- ${line}`),
		...after.slice(start, after.length - end).map((line) => `+ ${line}`),
		...before.slice(before.length - end).map((line) => `  ${line}`)
	];
	return `\`\`\`\`diff\n${lines.map(shortened).join('\n')}\n\`\`\`\`\n`;
}

function siteOf(text: string, files: Example['files'] = {}): CheckedSite {
	const assets = new Map(
		Object.entries(files).map(([path, content]) => [path, encodeUtf8(content)])
	);
	return checkSite(readSiteFiles({ texts: new Map([['site.eave', wholeExample(text)]]), assets }));
}

function problemIn(site: CheckedSite, code: string): Problem | undefined {
	return new LookingOver(2026).whole(site).findings.find(({ problem }) => problem.code === code)
		?.problem;
}

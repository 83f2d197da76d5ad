import assert from 'node:assert/strict';
import { test } from 'node:test';
import { lookOver } from '../lib/findings.ts';
import { sentenceOf } from '../../src/core/messages/sentence.ts';

/** Faults of many kinds, put one by one into a site in which nothing is wrong: each is found at its place. */

const picture = '<svg xmlns="http://www.w3.org/2000/svg" width="80" height="60"/>';
const files = {
	'images/pod.svg': picture,
	'data/kinds.json': '[{ "name": "Bean", "slug": "bean" }, { "name": "Pea", "slug": "pea" }]'
};

const site = `site "Seed library" {
  lang en
  bands { narrow 0; medium 600; wide 1000 }
  roles { visitor; keeper }
  tokens { --ink: #1d2421; --paper: #fffdf7; --gap: 16px }
}

data kinds from "data/kinds.json"

part card(title) """
  <article class="card"><h2>{title}</h2>{content}</article>
"""

layout frame at / {
  description "Seed that is lent and brought back."
  height screen
  arrange areas {
    "head" auto
    "main" 1fr
    "foot" auto
    gap var(--gap)
  }
  style """
    :scope { background: var(--paper); color: var(--ink); }
    /* a { outline: none; } @import "old.css"; */
    a:focus-visible { outline: 2px solid; }
  """
  region head as header {
    stick top
    background Canvas
    pad 4px @medium; pad 8px @wide
    piece brand """<p><a href="/">Seed library</a></p>"""
    piece menu nav from / depth 1
  }
  region main as main { slot; contain 720px; pad var(--gap) }
  region foot as footer { piece small """<p>&copy; {year} Seed library</p>""" }
}

route / {
  title "Home"
  piece words """
    <h1>Seed</h1>
    <p><img src="images/pod.svg" alt="An open pod" width="80" height="60"> is lent in spring.</p>
    <table><tr><th scope="col">Kind</th><th scope="col">Years</th></tr><tr><td>Bean</td><td>3</td></tr></table>
    <p><a href="/kinds#all">All kinds</a> and <a href="mailto:seed@lent.example">a letter to us</a>.</p>
    <p><a href="/ask">Ask for some</a></p>
  """
}

route /kinds {
  title "Kinds"
  piece list """
    <h1 id="all">Kinds</h1>
    <ul>{for kind in data.kinds}<li>{kind.name}</li>{end}</ul>
    {use card title="Bean"}<p>Keeps for three years.</p>{end}
  """
}

route /ask {
  title "Ask"
  piece form """
    <h1>Ask</h1>
    <form action="/ask"><p><label for="kind">Kind</label> <input type="text" id="kind" name="kind"></p>
    <p><button type="submit">Ask for it</button></p></form>
  """
}

route /desk {
  title "Desk"
  admit keeper
  piece words """<h1>Desk</h1>"""
}

state not-found at / { title "Not found"; piece words """<h1>Not found</h1><p><a href="/">Home</a></p>""" }
state denied at / { title "Not for you"; piece words """<h1>Not for you</h1><p><a href="/">Home</a></p>""" }
`;

/** What is put in the place of what, and the code of what is found; each once in the site. */
const faults: readonly (readonly [right: string, wrong: string, code: string])[] = [
	// Names, structure and arrangement
	['"main" 1fr', '"mian" 1fr', 'area-unknown'],
	['slot; contain 720px', 'contain 720px', 'layout-no-slot'],
	['"foot" auto', '". ." auto', 'areas-uneven'],
	['depth 1', 'depth 1 @wide', 'unexpected-text'],
	['pad var(--gap) }', 'pad var(--gaps) }', 'token-unknown'],
	['contain 720px', 'contain 720', 'size-invalid'],
	['contain 720px', 'contain 85%; max 720px', 'contain-and-max'],
	['background Canvas', 'background canvass', 'colour-invalid'],
	['stick top', 'stick topp', 'choice-invalid'],
	['stick top', 'stikc top', 'unknown-statement'],
	['    background Canvas\n', '', 'stuck-bare'],
	['stick top', 'stick top; height 20px', 'content-cut'],
	['pad var(--gap) }', 'width 900px }', 'fixed-too-wide'],
	['contain 720px', 'span 2', 'setting-idle'],
	['region foot as footer { piece', 'region foot as footer { arrange columns 12 { gap 30px }; piece b { span 6 } """<p>b</p>"""; piece', 'gaps-too-wide'],
	['region foot as footer { piece', 'region foot as footer { arrange columns 3; piece b { pad 1px } """<p>b</p>"""; piece', 'columns-unspanned'],
	['region foot as footer { piece', 'region foot as footer { arrange columns 5; piece b { span 3 } """<p>b</p>"""; piece c { span 4 } """<p>c</p>"""; piece', 'row-not-full'],
	['region foot as footer { piece', 'region foot as footer { arrange columns 2 rows 1; piece b """<p>b</p>"""; piece c { span 1 } """<p>c</p>"""; piece', 'rows-more'],
	['region foot as footer { piece', 'region foot as footer { show strip; arrange row { gap 9px }; piece', 'strip-gap'],
	['contain 720px', 'contain 720px; min auto calc(100vh - 120px)', 'height-typed'],
	['gap var(--gap)\n  }', 'gap var(--gap)\n  }\n  region side as aside', 'region-not-arranged'],
	// Pages, people and data
	['title "Kinds"\n', '', 'title-missing'],
	['title "Kinds"', 'title "Home"', 'title-twice'],
	['  description "Seed that is lent and brought back."\n', '', 'description-missing'],
	['lang en', '', 'lang-missing'],
	['    piece menu nav from / depth 1\n', '', 'page-unreachable'],
	['menu nav from / depth 1', 'menu nav from / depth 1 { show hidden; show in-place @wide }', 'menu-hidden'],
	['admit keeper', 'admit keepers', 'role-unknown'],
	['  admit keeper\n', '', 'roles-idle'],
	['data.kinds}', 'data.kind}', 'expression-unknown'],
	['{kind.name}', '{kind.nmae}', 'expression-no-value'],
	['data kinds from "data/kinds.json"', 'data kinds from "data/kind.json"', 'data-missing'],
	['&copy; {year}', '&copy; 2024', 'year-fixed'],
	['{use card title="Bean"}', '{use crad title="Bean"}', 'part-unknown'],
	['title="Bean"', 'titel="Bean"', 'parameter-unknown'],
	['#1d2421; --paper', '#1d2421; --unused: 4px; --paper', 'token-unused'],
	['{for kind in data.kinds}<li>{kind.name}</li>{end}', '<li>Bean</li>', 'data-unused'],
	['medium 600; wide', 'medium 600; large 800; wide', 'band-unused'],
	['state not-found at / { title "Not found"; piece words """<h1>Not found</h1><p><a href="/">Home</a></p>""" }\n', '', 'not-found-missing'],
	// What any reader of HTML would see
	['href="/kinds#all"', 'href="/kindz"', 'link-nowhere'],
	['href="/kinds#all"', 'href="/kinds#al"', 'anchor-nowhere'],
	['>All kinds<', '>here<', 'markup-link-words'],
	['>All kinds<', '><', 'markup-link-empty'],
	['mailto:seed@lent.example', 'mailto:', 'markup-address-empty'],
	['src="images/pod.svg"', 'src="images/pods.svg"', 'file-missing'],
	[' alt="An open pod"', '', 'image-no-alt'],
	['alt="An open pod"', 'alt="pod.svg"', 'markup-alt-words'],
	[' width="80" height="60"', '', 'image-no-size'],
	['<h1>Seed</h1>', '<h1>Seed</h1><h1>Lent</h1>', 'heading-twice'],
	['<h1>Seed</h1>', '<h1>Seed</h1><h3>Lent</h3>', 'heading-skips'],
	['<h1>Seed</h1>', '<h1>Seed</h1><h2></h2>', 'markup-heading-empty'],
	['<tr><th scope="col">Kind</th><th scope="col">Years</th></tr>', '', 'markup-table-heads'],
	['<p><label for="kind">Kind</label>', '<p>Kind', 'label-missing'],
	['for="kind"', 'for="kinds"', 'reference-nowhere'],
	['<h1>Ask</h1>', '<h1 id="kind">Ask</h1>', 'id-twice'],
	['type="text"', 'type="txt"', 'markup-attribute-value'],
	['<button type="submit">', '<button>', 'markup-type-implied'],
	['>Ask for it<', '><', 'markup-no-words'],
	['<p><button type="submit">Ask for it</button></p>', '', 'form-no-button'],
	['<li>{kind.name}</li>', '<div>{kind.name}</div>', 'markup-misplaced'],
	['<h1 id="all">', '<h1 id="all" role="headng">', 'markup-role-unknown'],
	['<h1 id="all">', '<h1 id="all" aria-lable="All">', 'markup-aria-unknown'],
	['<h1 id="all">', '<h1 id="all" aria-hidden="yes">', 'markup-aria-value'],
	['<h1 id="all">', '<h1 id="all" tabindex="3">', 'markup-tabindex'],
	['<h1 id="all">', '<h1 id="all" style="color: red">', 'markup-style-inline'],
	['<h1 id="all">', '<h1 id="all" id="kinds">', 'markup-attribute-twice'],
	['<ul>', '<div><ul>', 'element-open'],
	['</ul>', '</ul></div>', 'end-tag-stray'],
	['<h1>Desk</h1>', '<h1>Desk</h1><iframe src="https://maps.example/"></iframe>', 'markup-attribute-missing'],
	['<h1>Desk</h1>', '<h1>Desk</h1><video src="images/pod.svg" autoplay></video>', 'markup-autoplay'],
	['<h1>Desk</h1>', '<h1>Desk</h1><a href="/"><button type="button">Home</button></a>', 'markup-misplaced'],
	['<h1>Desk</h1>', '<h1>Desk</h1><button type="button" aria-hidden="true">Home</button>', 'markup-focus-hidden'],
	['<h1>Desk</h1>', '<h1>Desk</h1><center>Lent</center>', 'markup-old'],
	// Styles
	['a:focus-visible { outline: 2px solid; }', 'a { outline: none; }', 'focus-unseen'],
	['a:focus-visible { outline: 2px solid; }', '.nowhere { color: red; }', 'style-unused'],
	['a:focus-visible { outline: 2px solid; }', 'ul { opacity: 0 } header:hover ul { opacity: 1; }', 'hover-only'],
	['a:focus-visible { outline: 2px solid; }', 'header { display: flex; flex-direction: row-reverse; }', 'order-styled'],
	['a:focus-visible { outline: 2px solid; }', '@media print { main { display: none } }', 'print-hidden'],
	['color: var(--ink);', 'color: #ccc;', 'contrast-low'],
	['a:focus-visible { outline: 2px solid; }', 'a:focus-visible { outline: 2px solid; } p { opacity: 0.3; }', 'contrast-low'],
	['color: var(--ink);', 'color: var(--ink); background: url("images/pod.svg");', 'contrast-picture'],
	['color: var(--ink);', 'color: #1d2421;', 'value-not-token'],
	['color: var(--ink);', 'color: var(--ink); background: url("images/no.svg");', 'style-file-missing'],
	[':scope { background', '@import "x.css"; :scope { background', 'style-import'],
	// Slips of the hand
	['admit keeper\n', 'admit keeper piece x """<p>x</p>"""\n', 'unexpected-text'],
	['title "Ask"\n', 'title "Ask\n', 'unclosed-text'],
	['slot; contain 720px; pad var(--gap) }', 'slot; contain 720px; pad var(--gap)', 'missing-brace']
]; // prettier-ignore

/** What stands where something is missing or is meant, and not where it was taken away or said. */
const elsewhere = new Set([
	'page-unreachable',
	'roles-idle',
	'title-twice',
	'description-missing',
	'data-unused',
	'not-found-missing'
]);

/** Which of the declarations an offset stands in. */
function declarationAt(text: string, offset: number): number {
	return [...text.slice(0, offset + 1).matchAll(/^[a-z]/gm)].length;
}

test('nothing is found in a site in which nothing is wrong', () => {
	const { findings } = lookOver(site, files);
	assert.deepEqual(
		findings.map(({ problem }) => `${problem.code}: ${sentenceOf(problem)}`),
		[]
	);
});

for (const [right, wrong, code] of faults) {
	test(`${code} is found at its place: ${wrong.trim().slice(0, 60)}`, () => {
		assert.equal(site.split(right).length, 2, `${right} stands once`);
		const text = site.replace(right, () => wrong);
		const { findings } = lookOver(text, files);
		const found = findings.filter(({ problem }) => problem.code === code);
		const [one] = found;
		assert.ok(one && found.length === 1, findings.map(({ problem }) => problem.code).join(', '));
		if (elsewhere.has(code)) return;
		const at = site.indexOf(right);
		assert.equal(declarationAt(text, one.problem.span.from), declarationAt(text, at));
	});
}

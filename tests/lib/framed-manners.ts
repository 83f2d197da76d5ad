/** Frames of own markup in the manners of different years, each with the sheet it was written with. */

export interface FramedManner {
	readonly frame: string;
	readonly css: string;
	/** px at which its boxes change by themselves; none where they never do. */
	readonly edges: readonly number[];
}

export const manners: Readonly<Record<string, FramedManner>> = {
	tables: {
		frame: `<table width="100%" cellspacing="0" cellpadding="6"><tr><td colspan="2" class="head"><h1 id="name">Seed library</h1></td></tr><tr><td class="nav" width="180" valign="top">{region menu}<ul id="links"><li><a href="/">Home</a></li><li><a href="/lend">Lend</a></li></ul>{end}</td><td class="body" valign="top">{slot}</td></tr></table><hr><p class="foot" id="mill">Behind the old mill</p>`,
		css: `body { margin: 0; font: 14px Arial, sans-serif } .head { background: #364; color: #fff } .nav { background: #eee } .foot { text-align: center }`,
		edges: []
	},
	floats: {
		frame: `<div id="wrap"><header class="top"><a class="logo" id="name" href="/">Seed library</a> <nav>{region menu}<a href="/" id="links">Home</a> <a href="/lend">Lend</a>{end}</nav></header><div class="cols"><div class="side">{region side}<h3 id="open">Open</h3><p>Two to six.</p>{end}</div><div class="main"><p class="crumbs">Here</p>{slot}</div></div><footer><p id="mill">Behind the old mill</p></footer></div>`,
		css: `body { margin: 8px; font: 16px/1.5 serif; background: #eee } #wrap { width: 90%; max-width: 960px; margin: 0 auto; background: #fff; border: 1px solid #999 } .top { padding: 10px 20px; background: #ddd; overflow: hidden } .logo { float: left; font-size: 24px } .top nav { float: right; line-height: 36px } .side { float: left; width: 200px; padding: 10px; box-sizing: border-box; background: #fee } .main { margin-left: 220px; padding-right: 20px } footer { clear: both; border-top: 2px solid #444; padding: 0 20px; margin-top: 12px } @media (max-width: 600px) { .side { float: none; width: auto } .main { margin-left: 0 } .crumbs { display: none } }`,
		edges: [601]
	},
	'fixed width': {
		frame: `<div id="page"><div id="banner"><h1 id="name">Seed library</h1><div id="search"><form>Search <input size="12"></form></div></div><div id="left">{region menu}<h3 id="links">Pages</h3><ul><li>Home</li></ul>{end}</div><div id="content">{slot}</div><div id="right">{region side}<h3 id="open">News</h3><p>Sow in April.</p>{end}</div><div id="foot"><span id="mill">Behind the old mill</span></div></div>`,
		css: `body { margin: 0; background: #789; font: 13px Verdana, sans-serif } #page { width: 760px; margin: 0 auto; background: #fff } #banner { height: 80px; background: #abc; position: relative } #banner h1 { margin: 0; padding: 20px } #search { position: absolute; right: 10px; top: 30px } #left { float: left; width: 140px; padding: 10px } #content { float: left; width: 420px; padding: 10px } #right { float: right; width: 140px; padding: 10px } #foot { clear: both; background: #ccc; padding: 8px }`,
		edges: []
	},
	'negative margins': {
		frame: `<div class="related"><h3>Navigation</h3><ul><li class="right"><a href="/index">index</a></li><li><a href="/" id="name">Seed</a> »</li></ul></div><div class="document"><div class="documentwrapper"><div class="bodywrapper"><div class="body" role="main">{slot}</div></div></div><div class="sidebar"><div class="wrap">{region menu}<h4 id="links">Contents</h4><ul><li>Kale</li></ul>{end}<h4>This page</h4><p>Show source</p></div></div><div class="clearer"></div></div><div class="footer" id="mill">Seed library. Last changed in April.</div>`,
		css: `body { font-family: sans-serif; font-size: 100%; margin: 0; padding: 0 } .document { background: #eee } .documentwrapper { float: left; width: 100% } .bodywrapper { margin: 0 0 0 230px } .body { background: #fff; padding: 0 20px 30px 20px; color: #222 } .sidebar { float: left; width: 230px; margin-left: -100%; font-size: 90% } .wrap { padding: 10px 5px 0 10px } .clearer { clear: both } .footer { width: 100%; padding: 9px 0; text-align: center; font-size: 75% } .related { background: #133f52; line-height: 30px; color: #fff } .related h3 { display: none } .related ul { margin: 0; padding: 0 0 0 10px; list-style: none } .related li { display: inline } .related li.right { float: right; margin-right: 5px }`,
		edges: []
	},
	'flex lines': {
		frame: `<header class="bar"><a class="brand" id="name" href="/">Seed library</a><nav class="links">{region menu}<a href="/" id="links">Home</a><a href="/lend">Lend</a>{end}</nav><button>Join</button></header><div class="page"><aside>{region side}<h2 id="open">Open</h2><p>Two to six on market days.</p>{end}</aside><main>{slot}</main></div><footer class="foot"><div><h4 id="mill">Find us</h4><p>Behind the old mill</p></div><div><h4>Write</h4><p>seed@example.org</p></div><div><h4>Lend</h4><p>All seed is lent.</p></div></footer>`,
		css: `* { box-sizing: border-box } body { margin: 0; font: 16px/1.5 sans-serif } .bar { display: flex; align-items: center; gap: 16px; padding: 12px 24px; background: #213; color: #fff } .links { display: flex; gap: 12px; margin-left: auto } .page { display: flex; gap: 32px; max-width: 1100px; margin: 24px auto; padding: 0 24px } aside { flex: 0 0 240px } main { flex: 1; min-width: 0 } .foot { display: flex; gap: 24px; background: #eee; padding: 24px } .foot > div { flex: 1 } @media (max-width: 700px) { .page { flex-direction: column } aside { flex: none; order: 2 } .foot { display: block } .links { display: none } }`,
		edges: [701]
	},
	grids: {
		frame: `<div class="shell"><header>{region head}<h1 id="name">Seed library</h1>{end}</header><nav>{region menu}<a href="/" id="links">Home</a>{end}</nav><main>{slot}</main><aside>{region side}<p id="open">Open two to six</p>{end}</aside><footer>{region foot}<p id="mill">Behind the old mill</p>{end}</footer></div>`,
		css: `body { margin: 0 } .shell { display: grid; grid-template: "head head head" auto "nav main side" 1fr "foot foot foot" auto / 160px 1fr 20%; gap: 16px; min-height: 100vh } header { grid-area: head; background: #dde } nav { grid-area: nav } main { grid-area: main } aside { grid-area: side; background: #fee } footer { grid-area: foot; background: #eee } @media (max-width: 800px) { .shell { grid-template: "head" auto "nav" auto "main" auto "side" auto "foot" auto / 1fr } }`,
		edges: [801]
	}
};

/** A site of two pages in such a frame, of which the second is another in all that a page can be. */
export function framedSite({ frame }: Pick<FramedManner, 'frame'>): string {
	return `site "Seed library" { lang en }
layout shell at / {
  sheet "css/site.css"
  frame """${frame}"""
}
route / { title "Home"; piece body """<h1 id="title">Home</h1><p id="words">${'Every kind has its season. '.repeat(30)}</p><ul id="kinds"><li>Kale<li>Bean</ul>""" }
route /lend { title "Lend"; piece body """<h1 id="title">Lend</h1><p id="words">Bring it back.</p><ul id="kinds"><li>Pea</ul>""" }
`;
}

/** What is looked for on such a page, wherever it stands. */
export const lookedFor = ['name', 'links', 'open', 'mill', 'title', 'words', 'kinds'] as const;

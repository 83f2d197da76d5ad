/** A site of any size, as a careful team would split it: a file for the frame, two for each branch. */
export function generatedSite(routeCount: number, layoutCount: number): Map<string, string> {
	const texts = new Map<string, string>();
	texts.set(
		'site.eave',
		[
			'site "Generated" {',
			'  lang en',
			'  bands { narrow 0; medium 640; wide 1024 }',
			'  tokens { --gutter: 16px }',
			'}',
			'',
			'layout frame at / {',
			'  height screen',
			'  arrange areas {',
			'    "head head" auto',
			'    "menu main" 1fr',
			'    "foot foot" auto',
			'    columns 200px minmax(0, 1fr)',
			'  }',
			'  region head as header { piece brand """<p><a href="/">{site.name}</a></p>""" }',
			'  region menu as nav { piece links nav from / depth 1 }',
			'  region main as main { required; slot }',
			'  region foot as footer {',
			'    piece small """',
			'      <p>&copy; {year} {site.name}, printed on recycled bits.</p>',
			'    """',
			'  }',
			'  title "{page.title} | {site.name}"',
			'}',
			'',
			'route / { title "Home"; piece body """<h1>Home</h1>""" }',
			''
		].join('\n')
	);
	const branches = Math.max(1, Math.floor((layoutCount - 1) / 2));
	const perBranch = Math.ceil((routeCount - 1) / branches);
	let routes = 1;
	for (let branch = 0; branch < branches; branch++) {
		const name = `branch-${branch}`;
		texts.set(`layouts/${name}.eave`, branchLayouts(name));
		const list: string[] = [];
		for (let index = 0; index < perBranch && routes < routeCount; index++, routes++) {
			list.push(route(name, index));
		}
		texts.set(`routes/${name}.eave`, list.join('\n'));
	}
	return texts;
}

function branchLayouts(name: string): string {
	return [
		`layout ${name} at /${name} {`,
		'  region trail as div { piece crumbs """<p><a href="/">Home</a></p>""" }',
		'  region shelf as div { slot }',
		`  fill menu after { piece filters """<p>Only ${name}</p>""" }`,
		'}',
		'',
		`layout ${name}-deep at /${name}/deep {`,
		'  region text as article { slot }',
		`  region aside as aside { piece note """<p>Notes on ${name}</p>""" }`,
		'}',
		''
	].join('\n');
}

function route(branch: string, index: number): string {
	const path =
		index === 0 ? `/${branch}` : `/${branch}/${index % 3 === 0 ? 'deep/' : ''}page-${index}`;
	return [
		`route ${path} {`,
		`  title "Page ${index} of ${branch}"`,
		'  piece body """',
		`    <h1>{page.title}</h1>`,
		`    <p>Row ${index}: what is written here is as long as a short paragraph of a real page would be,`,
		'    with a <a href="/">link</a> and some <b>weight</b> in it.</p>',
		'    <ul><li>one</li><li>two</li><li>three</li></ul>',
		'  """',
		...(index % 5 === 0 ? [`  fill foot before { piece more """<p>More of ${index}</p>""" }`] : []),
		'}',
		''
	].join('\n');
}

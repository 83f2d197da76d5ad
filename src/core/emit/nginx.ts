import mime from 'mime';
import { compareSpecificity, hasParameters, matchPattern } from '../model/pattern.ts';
import { layerPattern, type Layer, type Route, type StateKind } from '../model/site.ts';
import { admittedRoles, closedAt, closedBranches, hasAdmission } from '../resolve/roles.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import { statesOf } from '../resolve/structure.ts';
import { accessPath } from './access-file.ts';
import type { Place } from './delivery.ts';
import {
	addressesOf,
	asAsked,
	branchPath,
	dollarVariable,
	literal,
	pathKey,
	quoted,
	wholeAddress,
	wholeLocation,
	wholePath,
	withAsked
} from './nginx-words.ts';
import { hasLeads, knownLeads, openLeads } from './leads.ts';
import { assetPath, folderOf, pageFile } from './paths.ts';

/** Where a delivery has its configuration for nginx. */
export const nginxPath = 'nginx.conf';

/** Files that lie beside the delivery and are nobody's business. */
const unserved = [accessPath, nginxPath, 'nginx.pid', '.long-eave.json'];

/** A path at which nothing ever lies. */
const nowhere = '/-/';

/**
 * A configuration with which nginx serves the delivery as the site answers by itself: one address for each
 * page, the nearest missing and denied page of each branch, and closed branches only for whom the site's
 * sign-in lets in (nginx's `auth_request`: 2xx lets in, 401 and 403 do not). Who is let in to what is one table by
 * addresses, which is asked for every page, so nothing is open by the order in which places stand.
 */
export function nginxConf(resolved: ResolvedSite, places: readonly Place[]): string {
	return [
		`# Serves ${oneLine(resolved.site.settings.name.text)}: nginx -p THIS-FOLDER -c ${nginxPath}`,
		'pid nginx.pid;',
		'error_log stderr warn;',
		'events { }',
		...block('http', [
			'access_log off;',
			'default_type application/octet-stream;',
			...typesFor(places),
			...new Tables(resolved, places).lines(),
			...upstream(resolved),
			...block('server', server(resolved, places))
		]),
		''
	].join('\n');
}

function block(head: string, lines: readonly string[]): string[] {
	return [`${head} {`, ...lines.map((line) => `\t${line}`), '}'];
}

function oneLine(text: string): string {
	return text.replaceAll(/[\u0000-\u001f\u007f]+/g, ' ');
}

/** The types of all files that are there. */
function typesFor(places: readonly Place[]): string[] {
	const extensions = new Set(['html', 'css']);
	for (const { path } of places) {
		const extension = /\.([A-Za-z0-9]+)$/.exec(path)?.[1];
		if (extension !== undefined) extensions.add(extension.toLowerCase());
	}
	const byType = new Map<string, string[]>();
	for (const extension of [...extensions].sort()) {
		const type = mime.getType(`a.${extension}`);
		if (type !== null) byType.set(type, [...(byType.get(type) ?? []), extension]);
	}
	return [
		...block(
			'types',
			[...byType].map(([type, names]) => `${type} ${names.join(' ')};`)
		),
		'charset utf-8;',
		'charset_types text/css text/plain image/svg+xml application/json text/javascript;'
	];
}

function upstream(resolved: ResolvedSite): string[] {
	if (!hasAdmission(resolved.structure)) return [];
	return [
		'# Your own sign-in: it is asked with the roles in X-Admit, and answers 200 where the visitor has one of them.',
		...block('upstream sign-in', ['server 127.0.0.1:4000;'])
	];
}

/** A line of a table: what a path is like, and what follows; both as nginx reads them. */
type Row = readonly [like: string, value: string];

/** What is known of an address by itself, as nginx's `map` has it: the first line that fits holds. */
class Tables {
	private readonly isFolders: boolean;

	constructor(
		private readonly resolved: ResolvedSite,
		private readonly places: readonly Place[]
	) {
		this.isFolders = resolved.site.settings.urls === 'folders';
	}

	lines(): string[] {
		return [
			`geo $${dollarVariable} { default "$"; }`,
			'# Escapes that would stand for a part of a path, or for nothing that can be seen, lead nowhere.',
			...table('$request_uri', 'odd', [['"~*^[^?]*%(2f|5c|[01][0-9a-f]|7f)"', '-']], '""'),
			...table('$request_uri', 'doubled', [['"~^[^?]*//"', '1']], '""'),
			'# The address that is meant, however it is written.',
			...table('$odd$uri', 'path', [
				['"~^-"', '/-'],
				['"~(?s)^(?<plain>.*?)(?:/index\\.html|\\.html)?/?\\z"', '$plain']
			]),
			'# Files that are there for whoever names them.',
			...table('$odd$uri', 'file', this.files(), '$uri'),
			'# The file of a page with an address of its own.',
			...table(pathKey, 'document', this.documents(), this.documentOf('$path')),
			'# The file of a page that serves many addresses.',
			...table(pathKey, 'shared', this.sharedPages(), nowhere),
			...(hasLeads(this.resolved)
				? [
						'# Where pages are now that were here once.',
						...table('$request_uri', 'open_lead', this.openLeads(), '""'),
						...table(pathKey, 'lead', this.leads(), '$open_lead')
					]
				: []),
			'# Who is let in; empty: everyone.',
			...(hasAdmission(this.resolved.structure)
				? table(pathKey, 'admit', this.admissions(), '""')
				: []),
			...(hasAdmission(this.resolved.structure)
				? [
						...table('$admit', 'caching', [['""', 'no-cache']], '"private, no-cache"'),
						...table('$admit', 'varying', [['""', '""']], 'Cookie')
					]
				: []),
			...table(pathKey, 'missing', this.statePages('not-found'), nowhere),
			...table(pathKey, 'denied', this.statePages('denied'), nowhere)
		];
	}

	private documentOf(path: string): string {
		return this.isFolders ? `${path}/index.html` : `${path}.html`;
	}

	/** Pages are reached by their addresses, and states stand in the place of pages. */
	private files(): Row[] {
		return [
			['"~^-"', nowhere],
			...unserved.map((path): Row => [wholeAddress(`/${literal(path)}`), nowhere]),
			['"~\\.html\\z"', nowhere]
		];
	}

	/** What looks like the file of a page and is none. */
	private documents(): Row[] {
		const pages = new Set(
			this.resolved.routes.flatMap((route) =>
				this.resolved
					.instances(route)
					.map((instance) => pageFile(instance, this.resolved.site.settings.urls))
			)
		);
		const others = this.places.filter(({ path }) => path.endsWith('.html') && !pages.has(path));
		const end = this.isFolders ? /(^|\/)index\.html$/ : /\.html$/;
		const root: Row[] = this.isFolders
			? []
			: [
					[wholePath(''), pages.has('index.html') ? '/index.html' : nowhere],
					[wholePath('/index'), nowhere]
				];
		return [
			...root,
			...others
				.filter(({ path }) => end.test(path))
				.map(({ path }): Row => [wholePath(literal(`/${path}`.replace(end, ''))), nowhere])
		];
	}

	/** Routes without values of their own are one page; others with parameters only what lies there. */
	private sharedPages(): Row[] {
		const { routes, site } = this.resolved;
		const sorted = routes
			.filter(({ pattern }) => hasParameters(pattern))
			.sort((a, b) => compareSpecificity(a.pattern, b.pattern));
		return sorted.map((route): Row => {
			const [instance] = route.pages.kind === 'one' ? this.resolved.instances(route) : [];
			const file = instance && quoted(`/${pageFile(instance, site.settings.urls)}`);
			return [wholePath(addressesOf(route.pattern)), file ?? nowhere];
		});
	}

	/** Where old addresses lead that are known in full. */
	private leads(): Row[] {
		const { urls } = this.resolved.site.settings;
		return [
			['"~^-"', '""'],
			...knownLeads(this.resolved).map(({ from, to }): Row => {
				const place = folderOf(pageFile(to, urls));
				return [addressOf(from), quoted(`/${place}`)];
			})
		];
	}

	/** Where others lead, whose values are taken as they were asked for: nginx has no way to write them again. */
	private openLeads(): Row[] {
		const end = this.isFolders ? '/' : '.html';
		return openLeads(this.resolved).map(({ route, pattern }): Row => {
			return [asAsked(pattern), `"${withAsked(route.pattern)}${end}"`];
		});
	}

	/** Pages by how specific they are, then addresses that moved, then what lies where there is no page. */
	private admissions(): Row[] {
		const { structure, routes } = this.resolved;
		const roles = (layer: Layer): string => quoted(admittedRoles(layer, structure).join(' '));
		const open = routes.filter(({ pattern }) => hasParameters(pattern));
		const leads = openLeads(this.resolved);
		const others = [...open, ...leads];
		const inBranch = (route: Route): string => {
			const above = closedAt(route.pattern.text, structure);
			return above ? roles(above) : '""';
		};
		const fixed = routes.filter(
			(route) =>
				!hasParameters(route.pattern) &&
				(roles(route) !== inBranch(route) ||
					others.some(({ pattern }) => matchPattern(pattern, route.pattern.text)))
		);
		const pages = [...fixed, ...open].sort((a, b) => compareSpecificity(a.pattern, b.pattern));
		return [
			...pages.map((route): Row => [wholePath(addressesOf(route.pattern)), roles(route)]),
			...knownLeads(this.resolved).map(({ from, to }): Row => [addressOf(from), roles(to.page)]),
			...leads.map(({ route, pattern }): Row => [wholePath(addressesOf(pattern)), roles(route)]),
			...closedBranches(structure).map((branch): Row => {
				return [branchPath(addressesOf(layerPattern(branch))), roles(branch)];
			})
		];
	}

	/** The states of a kind by where they hold: the longest part of an address that one of them is for. */
	private statePages(kind: StateKind): Row[] {
		const { site } = this.resolved;
		const states = statesOf(site, kind);
		const file = (state: (typeof states)[number]): string =>
			quoted(`/${pageFile({ page: state, address: state.at.text }, site.settings.urls)}`);
		const hasRest = states.some(({ at }) => at.segments.some((one) => one.kind === 'rest'));
		const whole = hasRest ? states : [];
		const below = [...states].sort((a, b) => b.at.segments.length - a.at.segments.length);
		return [
			...whole.map((state): Row => [wholePath(addressesOf(state.at)), file(state)]),
			...below.map((state): Row => [branchPath(addressesOf(state.at)), file(state)])
		];
	}
}

/** An old address that is known in full, as a table has it. */
function addressOf(address: string): string {
	return wholePath(address === '/' ? '' : literal(assetPath(address)));
}

function table(of: string, name: string, rows: readonly Row[], otherwise?: string): string[] {
	const rest = otherwise === undefined ? [] : [`default ${otherwise};`];
	return block(`map ${of} $${name}`, [
		...rows.map(([like, value]) => `${like} ${value};`),
		...rest
	]);
}

function server(resolved: ResolvedSite, places: readonly Place[]): string[] {
	const closed = hasAdmission(resolved.structure);
	const isFolders = resolved.site.settings.urls === 'folders';
	// Set here, since what is asked by the way has an address of its own.
	const guard = closed
		? ['set $roles $admit;', 'auth_request /-/admit;', 'error_page 401 403 =403 @denied;']
		: [];
	const leads = hasLeads(resolved);
	// Only who is let in learns where something is now.
	const gone = leads ? '@gone' : '=404';
	const pageAddress = isFolders ? '"/\\z"' : '"(?s)^/\\z|(?<!/index)\\.html\\z"';
	// A place that says anything of errors says all.
	const missing = 'error_page 404 @missing;';
	const moved = 'error_page 418 = @moved;';
	return [
		'listen 8080;',
		'root .;',
		'absolute_redirect off;',
		'recursive_error_pages on;',
		'add_header X-Content-Type-Options nosniff always;',
		'add_header Referrer-Policy same-origin always;',
		`add_header Content-Security-Policy "frame-ancestors 'self'; base-uri 'self'" always;`,
		`add_header Cache-Control ${closed ? '$caching' : 'no-cache'} always;`,
		...(closed ? ['add_header Vary $varying always;'] : []),
		missing,
		...(closed ? admission : []),
		...ownDocuments(places),
		'# The one address of each page.',
		...block(`location ~ ${pageAddress}`, [
			moved,
			missing,
			'if ($doubled) { return 418; }',
			...guard,
			`try_files $file $document $shared ${gone};`
		]),
		'# Files, and other ways to write the address of a page.',
		...block('location /', ['try_files $file @moved;']),
		...block('location @moved', [
			`if (-f "$document_root$document") { ${redirect(isFolders)} }`,
			`if (-f "$document_root$shared") { ${redirect(isFolders)} }`,
			missing,
			...guard,
			`try_files ${nowhere}nothing ${gone};`
		]),
		...(leads
			? block('location @gone', [
					missing,
					'if ($lead = "") { return 404; }',
					'return 308 $lead$is_args$args;'
				])
			: []),
		...block('location @missing', ['recursive_error_pages off;', 'try_files $missing =404;']),
		...(closed
			? block('location @denied', ['recursive_error_pages off;', 'try_files $denied =403;'])
			: [])
	];
}

/** Files of the site that look like pages are for everyone, as its other files are. */
function ownDocuments(places: readonly Place[]): string[] {
	return places
		.filter(({ kind, path }) => kind === 'asset' && path.endsWith('.html'))
		.flatMap(({ path }) =>
			block(`location ~ ${wholeLocation(`/${literal(path)}`)}`, ['try_files $uri =404;'])
		);
}

const admission = block('location = /-/admit', [
	'internal;',
	'error_page 404 = @moved;',
	'if ($roles = "") { return 204; }',
	'proxy_pass http://sign-in;',
	'proxy_pass_request_body off;',
	'proxy_set_header Content-Length "";',
	'proxy_set_header X-Admit $roles;',
	'proxy_set_header X-Original-URI $request_uri;'
]);

/** To the address of a page, with what was asked of it; what is put in was decoded, and is encoded again. */
function redirect(isFolders: boolean): string {
	const root = 'rewrite "^/+(?:index\\.html/?)?\\z" / permanent;';
	const name = '"(?s)^(.+?)(?:/index\\.html|\\.html)?/?\\z"';
	return `${root} rewrite ${name} ${isFolders ? '$1/' : '$1.html'} permanent;`;
}

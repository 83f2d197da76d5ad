import mime from 'mime';
import { hasParameters, type Pattern } from '../model/pattern.ts';
import { layerPattern, type Layer, type Route } from '../model/site.ts';
import { admittingLayers, rolesOf } from '../resolve/roles.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import { nearestState } from '../resolve/structure.ts';
import { accessPath } from './access-file.ts';
import type { Place } from './delivery.ts';
import { pageFile } from './paths.ts';

/** Where a delivery has its configuration for nginx. */
export const nginxPath = 'nginx.conf';

/** What an answer says to the browser, closed or not. */
const headers = [
	'add_header X-Content-Type-Options nosniff always;',
	'add_header Referrer-Policy same-origin always;',
	`add_header Content-Security-Policy "frame-ancestors 'self'; base-uri 'self'" always;`
];

/**
 * A configuration with which nginx serves the delivery as the site answers by itself: one address for each
 * page, the nearest missing and denied page of each branch, and closed branches only for whom the site's
 * sign-in lets in (nginx's `auth_request`: 2xx lets in, 401 and 403 do not).
 */
export function nginxConf(resolved: ResolvedSite, places: readonly Place[]): string {
	const writer = new Writer(resolved);
	return [
		`# Serves ${oneLine(resolved.site.settings.name.text)}: nginx -p THIS-FOLDER -c ${nginxPath}`,
		'pid nginx.pid;',
		'error_log stderr warn;',
		'events { }',
		'http {',
		...indented([
			'access_log off;',
			'default_type application/octet-stream;',
			...typesFor(places),
			...writer.upstream(),
			'server {',
			...indented(writer.server()),
			'}'
		]),
		'}',
		''
	].join('\n');
}

function indented(lines: readonly string[]): string[] {
	return lines.map((line) => (line === '' ? '' : `\t${line}`));
}

function oneLine(text: string): string {
	return text.replace(/[\r\n]+/g, ' ');
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
	const lines = [...byType].map(([type, names]) => `${type} ${names.join(' ')};`);
	return [
		'types {',
		...indented(lines),
		'}',
		'charset utf-8;',
		'charset_types text/css text/plain image/svg+xml application/json text/javascript;'
	];
}

/** A branch or page whose answers differ from what is around it. */
interface Branch {
	readonly pattern: Pattern;
	/** Only this page, and nothing below it. */
	readonly alone: boolean;
	/** The file that serves all addresses of it; undefined where each address has its own. */
	readonly file: string | undefined;
	/** Who is let in; empty: everyone. */
	readonly admit: readonly string[];
}

class Writer {
	private readonly branches: readonly Branch[];
	private readonly admissions: readonly (readonly string[])[];

	constructor(private readonly resolved: ResolvedSite) {
		this.branches = this.findBranches();
		const groups = new Map(
			this.branches
				.filter(({ admit }) => admit.length > 0)
				.map(({ admit }) => [admit.join(' '), admit])
		);
		this.admissions = [...groups.values()];
	}

	upstream(): string[] {
		if (this.admissions.length === 0) return [];
		return [
			'# Your own sign-in: it is asked with the roles in X-Admit, and answers 200 where the visitor has one of them.',
			'upstream sign-in {',
			'\tserver 127.0.0.1:4000;',
			'}'
		];
	}

	server(): string[] {
		return [
			'listen 8080;',
			'root .;',
			'index index.html;',
			'absolute_redirect off;',
			...headers,
			'add_header Cache-Control no-cache always;',
			`location = /${accessPath} { return 404; }`,
			`location = /${nginxPath} { return 404; }`,
			'location = /nginx.pid { return 404; }',
			...this.stateFiles().map((file) => `location = /${file} { internal; }`),
			...this.admissions.flatMap((roles, index) => this.admission(roles, index)),
			// What nginx itself goes on with is not asked for by anyone: only the address as it was written counts.
			'if ($request_uri ~ "/index\\.html(\\?|$)") {',
			`\trewrite ^(.*/)index\\.html$ $1 permanent;`,
			'}',
			...this.branches.flatMap((branch) => this.branch(branch)),
			'location / {',
			...indented([...this.missing('/'), this.tryFiles(undefined)]),
			'}'
		];
	}

	private stateFiles(): string[] {
		const { site } = this.resolved;
		return site.states.map((state) =>
			pageFile({ page: state, address: state.at.text }, site.settings.urls)
		);
	}

	private admission(roles: readonly string[], index: number): string[] {
		return [
			`location = /-/admit/${index} {`,
			...indented([
				'internal;',
				'proxy_pass http://sign-in;',
				'proxy_pass_request_body off;',
				'proxy_set_header Content-Length "";',
				`proxy_set_header X-Admit "${roles.join(' ')}";`,
				'proxy_set_header X-Original-URI $request_uri;'
			]),
			'}'
		];
	}

	private branch({ pattern, alone, file, admit }: Branch): string[] {
		const address = pattern.text;
		const isClosed = admit.length > 0;
		return [
			`location ~ ${regexOf(pattern, alone)} {`,
			...indented([
				...(isClosed ? this.closed(admit, address) : []),
				...this.missing(address),
				this.tryFiles(file)
			]),
			'}'
		];
	}

	private closed(admit: readonly string[], address: string): string[] {
		const index = this.admissions.findIndex((roles) => roles.join(' ') === admit.join(' '));
		const { site } = this.resolved;
		const denied = nearestState(site, address, 'denied');
		const file = denied && pageFile({ page: denied, address: denied.at.text }, site.settings.urls);
		return [
			`auth_request /-/admit/${index};`,
			...headers,
			'add_header Cache-Control "private, no-cache" always;',
			'add_header Vary Cookie always;',
			...(file === undefined ? [] : [`error_page 401 403 =403 /${file};`])
		];
	}

	private missing(address: string): string[] {
		const { site } = this.resolved;
		const state = nearestState(site, address, 'not-found');
		return state
			? [
					`error_page 404 /${pageFile({ page: state, address: state.at.text }, site.settings.urls)};`
				]
			: [];
	}

	private tryFiles(file: string | undefined): string {
		if (file !== undefined) return `try_files $uri $uri/ /${file} =404;`;
		return this.resolved.site.settings.urls === 'folders'
			? 'try_files $uri $uri/ =404;'
			: 'try_files $uri $uri.html $uri/ =404;';
	}

	/** Branches that are closed or have a missing page of their own, and routes that one page serves; the deepest first. */
	private findBranches(): Branch[] {
		const { site, structure } = this.resolved;
		const found = new Map<string, Branch>();
		const add = (pattern: Pattern, layer: Layer | undefined, more: Partial<Branch> = {}): void => {
			const alone = more.alone ?? false;
			const key = `${pattern.key} ${alone}`;
			const admit = this.admitAt(pattern, layer);
			const before = found.get(key);
			found.set(key, { pattern, alone, file: before?.file, admit, ...more });
		};
		for (const layout of site.layouts) {
			if (rolesOf(layout).length > 0 && !layout.onRequest) add(layout.at, layout);
		}
		for (const route of site.routes) {
			if (rolesOf(route).length > 0) add(route.pattern, route);
		}
		for (const { state, at } of site.states) {
			if (state.text === 'not-found' && at.segments.length > 0) add(at, this.layerAt(at));
		}
		for (const route of site.routes) {
			const byRequest = structure
				.chainOf(route)
				.some((layout) => layout.onRequest && rolesOf(layout).length > 0);
			const file = this.fileForAll(route);
			if (byRequest || file !== undefined) {
				add(route.pattern, route, { alone: true, ...(file !== undefined && { file }) });
			}
		}
		return [...found.values()].sort(
			(a, b) =>
				b.pattern.segments.length - a.pattern.segments.length ||
				Number(b.alone) - Number(a.alone) ||
				Number(hasParameters(a.pattern)) - Number(hasParameters(b.pattern))
		);
	}

	/** A route without samples is one page for all addresses. */
	private fileForAll(route: Route): string | undefined {
		if (route.pages.kind !== 'one' || !hasParameters(route.pattern)) return undefined;
		const [instance] = this.resolved.instances(route);
		return instance && pageFile(instance, this.resolved.site.settings.urls);
	}

	private layerAt(pattern: Pattern): Layer | undefined {
		const { site, structure } = this.resolved;
		const route = site.routes.find((one) => one.pattern.key === pattern.key);
		if (route) return route;
		return pattern.upward.map((key) => structure.covering.get(key)).find((layout) => layout);
	}

	private admitAt(pattern: Pattern, layer: Layer | undefined): string[] {
		if (!layer) return [];
		const saying = admittingLayers(layer, this.resolved.structure).filter(
			(one) => layerPattern(one).segments.length <= pattern.segments.length
		);
		const [first, ...inner] = saying.map((one) => rolesOf(one).map(({ text }) => text));
		return (first ?? []).filter((role) => inner.every((roles) => roles.includes(role)));
	}
}

/** The addresses of a pattern, with what lies below it or without. */
function regexOf({ segments }: Pattern, alone: boolean): string {
	const words = segments.map((segment) => {
		if (segment.kind === 'fixed') return segment.name.replace(/[.*+?^${}()|[\]\\/ "';#]/g, '\\$&');
		return segment.kind === 'parameter' ? '[^/]+' : '.+';
	});
	const path = words.map((word) => `/${word}`).join('');
	return `"^${path}${alone ? '(\\.html|/|/index\\.html)?$' : '(\\.html$|/|$)'}"`;
}

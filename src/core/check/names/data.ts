import { plainPage } from '../example.ts';
import { error, warning, type Problem } from '../../messages/problem.ts';
import { copyPath, type DataSource, type Site } from '../../model/site.ts';
import { Memory } from '../../lib/memory.ts';
import { decodeUtf8 } from '../../lib/utf8.ts';
import { readShape, type ReadShape } from '../../data/shape.ts';
import type { SiteCheck } from '../check.ts';

const shapes = new Memory<Uint8Array, ReadShape>();
const known = new Memory<DataSource, readonly Problem[]>();

/** More places where a value is not as its shape says are not listed. */
const mostMismatches = 20;

export const dataShape: SiteCheck = {
	of: 'site',
	codes: ['shape-missing', 'shape-invalid', 'data-shape', 'copy-shape', 'data-fresh-file'],
	what: 'Shared data keeps to the shape that is kept of it.',
	why: 'A value that is missing or of another kind leaves a hole in every page that shows it.',
	examples: {
		'shape-missing': {
			wrong: `data list from "list.json" { shape "shape.json" }\n${plainPage('<h1>Seed</h1>')}`,
			mended: `data list from "list.json" \n${plainPage('<h1>Seed</h1>')}`,
			files: { 'list.json': '["Kale"]' }
		},
		'shape-invalid': {
			wrong: `data list from "list.json" { shape "shape.json" }\n${plainPage('<h1>Seed</h1>')}`,
			mended: `data list from "list.json" { shape "right.json" }\n${plainPage('<h1>Seed</h1>')}`,
			files: { 'list.json': '["Kale"]', 'shape.json': '[]', 'right.json': '{"type": "array"}' }
		},
		'data-shape': {
			wrong: `data list from "list.json" { shape "shape.json" }\n${plainPage('<h1>Seed</h1>')}`,
			mended: `data list from "list.json" { shape "right.json" }\n${plainPage('<h1>Seed</h1>')}`,
			files: {
				'list.json': '["Kale"]',
				'shape.json': '{"type": "object"}',
				'right.json': '{"type": "array"}'
			}
		},
		'copy-shape': {
			wrong: `data bins from "https://stock.example/bins" { shape "shape.json" }\n${plainPage('<h1>Seed</h1>')}`,
			mended: `data bins from "https://stock.example/bins" { shape "right.json" }\n${plainPage('<h1>Seed</h1>')}`,
			files: {
				'copies/bins.json': '{}',
				'shape.json': '{"type": "array"}',
				'right.json': '{"type": "object"}'
			}
		},
		'data-fresh-file': {
			wrong: `data list from "list.json" { fresh 60s }\n${plainPage('<h1>Seed</h1>')}`,
			mended: `data list from "list.json" \n${plainPage('<h1>Seed</h1>')}`,
			files: { 'list.json': '["Kale"]' }
		}
	},
	find({ site, reading }) {
		return site.data.flatMap((source) => {
			const bytes = source.shape && reading.files.assets.get(source.shape.text);
			const value = site.values.get(source.name.text);
			return known.get(source, [bytes, value], () => [
				...freshOfFile(source),
				...shapeProblems(source, bytes, value, site)
			]);
		});
	}
};

function freshOfFile({ isUrl, fresh, name }: DataSource): Problem[] {
	const idle = !isUrl && fresh.kind !== 'build';
	return idle ? [warning('data-fresh-file', name.span, name.text)] : [];
}

function shapeProblems(
	source: DataSource,
	bytes: Uint8Array | undefined,
	value: unknown,
	site: Site
): Problem[] {
	const { shape, name, isUrl } = source;
	if (!shape) return [];
	if (!bytes) return [error('shape-missing', shape.span, shape.text)];
	const read = shapes.get(bytes, [], () => shapeIn(bytes));
	if (read.kind === 'unusable') return [error('shape-invalid', shape.span, shape.text, read.why)];
	if (!site.values.has(name.text)) return [];
	const from = isUrl ? `data.${name.text}` : copyPath(source);
	return read
		.find(value)
		.slice(0, mostMismatches)
		.map(({ path, why }) => {
			const at = [from, ...path.map(String)].join(isUrl ? '.' : ', ');
			return isUrl
				? warning('copy-shape', name.span, at, why, shape.text)
				: error('data-shape', name.span, at, why, shape.text);
		});
}

function shapeIn(bytes: Uint8Array): ReadShape {
	try {
		const schema: unknown = JSON.parse(decodeUtf8(bytes));
		return readShape(schema);
	} catch {
		return { kind: 'unusable', why: 'it is not JSON' };
	}
}

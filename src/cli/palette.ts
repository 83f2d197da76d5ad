import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { generate, parse, walk } from '../core/size/css-syntax.ts';
import { paletteOf } from '../core/sheet/palette.ts';
import type { Palette } from '../core/sheet/svg-style.ts';

/** The colours of the application by day, from its theme, which lies beside this folder in the bundle as here. */
export function dayPalette(): Palette {
	const path = fileURLToPath(new URL('../theme/tokens.css', import.meta.url));
	const values = new Map<string, string>();
	walk(parse(readFileSync(path, 'utf8')), {
		visit: 'Rule',
		enter(rule) {
			if (generate(rule.prelude) !== ':root') return;
			rule.block.children.forEach((node) => {
				if (node.type !== 'Declaration' || values.has(node.property)) return;
				values.set(node.property, generate(node.value).trim());
			});
		}
	});
	return paletteOf((token) => values.get(token) ?? 'black');
}

import { hint, warning } from '../../messages/problem.ts';
import { attributeOf, inward, outward, type Element } from '../../author-styles/page-tree.ts';
import type { PageCheck } from '../check.ts';
import { plainPage } from '../example.ts';
import { withMore } from '../subject/attribute-mends.ts';
import type { Occurrence } from '../subject/occurrence.ts';
import { textIn, type WrittenPage } from '../subject/written-page.ts';

/** HTML, section 4.10.2: kinds of fields that are buttons, or that nobody sees. */
const buttonTypes = new Set(['submit', 'button', 'reset', 'image', 'hidden']);

export const labelMissing: PageCheck = {
	of: 'page',
	codes: ['label-missing'],
	what: 'Each field has a label.',
	why: 'Those who listen hear "edit text" and nothing of what belongs there; a placeholder is gone once one types.',
	examples: {
		'label-missing': {
			wrong: plainPage('<h1>Seed</h1><p>Kind <input type="text"></p>'),
			mended: plainPage('<h1>Seed</h1><p><label>Kind <input type="text"></label></p>')
		}
	},
	find(page) {
		const labelled = new Set(page.named('label').map((one) => attributeOf(one, 'for') ?? ''));
		return page.named('input', 'select', 'textarea').flatMap((element): Occurrence[] => {
			if (isButton(element) || isHidden(element) || hasLabel(element, labelled)) return [];
			const placeholder = attributeOf(element, 'placeholder') ?? '';
			const told = warning('label-missing', page.placeOf(element), element.name, placeholder);
			// What the placeholder says it says as a label, too, where it is written and no value.
			const isWritten = placeholder !== '' && page.attributePlace(element, 'placeholder');
			const name = { 'aria-label': placeholder };
			const problem = isWritten ? withMore(told, page, element, name, `Label it "${placeholder}"`) : told; // prettier-ignore
			return [{ problem, box: page.boxOf(element) }];
		});
	}
};

export const formNoButton: PageCheck = {
	of: 'page',
	codes: ['form-no-button'],
	what: 'Each form has a button that sends it.',
	why: 'Without one only those who know of the Enter key can send it.',
	examples: {
		'form-no-button': {
			wrong: plainPage('<h1>Seed</h1><form><label>Kind <input type="text"></label></form>'),
			mended: plainPage('<h1>Seed</h1><form><label>Kind <input type="text"></label><button type="submit">Look</button></form>') // prettier-ignore
		}
	},
	find: (page) =>
		page.named('form').flatMap((form): Occurrence[] => {
			if (buttonsOf(form, page).some(sends)) return [];
			return [{ problem: hint('form-no-button', page.placeOf(form)), box: page.boxOf(form) }];
		})
};

function isButton(element: Element): boolean {
	return element.name === 'input' && buttonTypes.has(attributeOf(element, 'type') ?? 'text');
}

function isHidden(element: Element): boolean {
	return [...outward(element)].some(
		(one) => attributeOf(one, 'hidden') !== undefined || attributeOf(one, 'aria-hidden') === 'true'
	);
}

/** Accessible Name and Description Computation 1.2, section 4.3. */
function hasLabel(element: Element, labelled: ReadonlySet<string>): boolean {
	const names = ['aria-label', 'aria-labelledby', 'title'];
	if (names.some((name) => (attributeOf(element, name) ?? '').trim() !== '')) return true;
	const id = attributeOf(element, 'id');
	if (id !== undefined && labelled.has(id)) return true;
	return [...outward(element)].some((one) => one.name === 'label' && textIn(one).trim() !== '');
}

function buttonsOf(form: Element, page: WrittenPage): Element[] {
	const id = attributeOf(form, 'id');
	const own = [...inward(form)];
	const others = page.elements.filter((one) => id !== undefined && attributeOf(one, 'form') === id);
	return [...own, ...others];
}

function sends(element: Element): boolean {
	const type = attributeOf(element, 'type');
	if (element.name === 'button') return type === undefined || type === 'submit';
	return element.name === 'input' && (type === 'submit' || type === 'image');
}

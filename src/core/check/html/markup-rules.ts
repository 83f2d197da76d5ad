import type { Code } from '../../messages/catalogue.ts';
import { hint, warning, type Mend, type Problem } from '../../messages/problem.ts';
import type { Span } from '../../model/span.ts';
import { plainPage } from '../example.ts';
import type { MarkupCheck, MarkupPlace } from '../check.ts';
import type { MarkupFault } from './markup-judge.ts';

/** Rules of HTML, joined to what an author would call one mistake. The library knows the rules, and we say what they mean. */

interface Rule {
	readonly rules: readonly string[];
	readonly what: string;
	readonly why: string;
	/** Markup in which it is found once, and the same without. */
	readonly wrong: string;
	readonly mended: string;
	/** Whether it is none in this place. */
	isFine?(fault: MarkupFault, place: MarkupPlace): boolean;
	/** What to write in its place, or behind it; `at` is where it stands. */
	mend?(at: Span, fault: MarkupFault, place: MarkupPlace): Mend | undefined;
}

const page = (markup: string): string => plainPage(`<h1>Seed</h1>${markup}`);

function rule(
	code: Code,
	tell: (at: Span, fault: MarkupFault) => Problem,
	{ rules, what, why, wrong, mended, isFine, mend }: Rule
): MarkupCheck {
	return {
		of: 'markup',
		codes: [code],
		rules,
		what,
		why,
		examples: { [code]: { wrong: page(wrong), mended: page(mended) } },
		problem(fault, at, place) {
			if (isFine?.(fault, place)) return undefined;
			const mending = mend?.(at, fault, place);
			return mending ? { ...tell(at, fault), mend: mending } : tell(at, fault);
		}
	};
}

/** An attribute more, behind the name of an element. */
function attributeMore({ file, to }: Span, attribute: string): Mend {
	return { label: `Write ${attribute}`, span: { file, from: to, to }, insert: ` ${attribute}` };
}

/** Another word in the place of what stands there. */
function instead(span: Span, words: string): Mend {
	return { label: `Write ${words}`, span, insert: words };
}

/** The first row of a table as its heads; where lists or parts bring its rows, nobody knows which that is. */
function firstRowAsHeads(at: Span, { from }: MarkupFault, { markup }: MarkupPlace): Mend | undefined {
	const table = markup.slice(0, from + 1).lastIndexOf('<');
	const [before = '', row = ''] = /^<table\b[^{]*?(<tr\b(?:(?!<tr\b)[^])*?)(?=<\/tr|<tr\b|<\/table)/i.exec(markup.slice(table)) ?? [];
	if (row === '' || /\{\s*(?:for|if|use|content)\b/.test(row)) return undefined;
	const heads = row.replaceAll(/<td\b/gi, '<th scope="col"').replaceAll(/<\/td\b/gi, '</th');
	const start = at.from - from + table + before.length - row.length;
	return { label: 'Its first row are its heads', span: { file: at.file, from: start, to: start + row.length }, insert: heads };
} // prettier-ignore

/** The outermost elements of a part stand in what uses it. */
const isOutermost = ({ from }: MarkupFault, { isPart, markup }: MarkupPlace): boolean => {
	const before = markup.slice(3, from - 1);
	return isPart && !/<[a-zA-Z]/.test(before.replaceAll(/<([a-zA-Z][\w-]*)[^>]*>[\s\S]*<\/\1\s*>/g, ''));
}; // prettier-ignore

export const markupChecks: readonly MarkupCheck[] = [
	rule('markup-link-empty', (at, { element }) => warning('markup-link-empty', at, element), {
		rules: ['wcag/h30'],
		what: 'Each link has words.',
		why: 'A link without words is read out as its address, and nobody knows where it leads.',
		wrong: '<a href="#main"></a>',
		mended: '<a href="#main">To the seed</a>'
	}),
	rule('markup-heading-empty', (at, { element }) => warning('markup-heading-empty', at, element), {
		rules: ['empty-heading'],
		what: 'Each heading has words.',
		why: 'Those who go from heading to heading come to one that says nothing.',
		wrong: '<h2></h2>',
		mended: '<h2>Beans</h2>'
	}),
	rule('markup-no-words', (at, { element }) => warning('markup-no-words', at, element), {
		rules: ['text-content', 'wcag/h36'],
		what: 'Each button says what it does.',
		why: 'A button without words is read out as "button", and nothing else.',
		wrong: '<button type="button"></button>',
		mended: '<button type="button">Show more</button>'
	}),
	rule('markup-focus-hidden', (at, { element }) => warning('markup-focus-hidden', at, element), {
		rules: ['hidden-focusable'],
		what: 'What is hidden from those who listen cannot be reached by keyboard.',
		why: 'The focus goes to something that is not read out, and nobody who listens knows where it is.',
		wrong: '<button type="button" aria-hidden="true">More</button>',
		mended: '<button type="button">More</button>'
	}),
	rule('markup-misplaced', (at, { element, attribute, other }) => warning('markup-misplaced', at, element, attribute, other), {
		rules: [
			'element-permitted-content',
			'element-permitted-parent',
			'element-permitted-occurrences',
			'element-permitted-order',
			'element-required-ancestor'
		],
		what: 'Each element stands where HTML lets it stand.',
		why: 'Browsers put it elsewhere, or those who listen hear a list or a table that is none. A link in a button, or the other way round, does one of the two.',
		wrong: '<ul><div>Beans</div></ul>',
		mended: '<ul><li>Beans</li></ul>',
		isFine: isOutermost
	}),
	rule('markup-incomplete', (at, { element, attribute, other }) => warning('markup-incomplete', at, element, attribute, other), {
		rules: ['element-required-content', 'wcag/h71'],
		what: 'Each element has in it what it needs, such as a group its legend.',
		why: 'Without it nobody can say what the group is about.',
		wrong: '<details><p>It keeps for three years.</p></details>',
		mended: '<details><summary>Beans</summary><p>They keep for three years.</p></details>',
		isFine: (_, { markup }) => /\{\s*(use|content)\b/.test(markup)
	}),
	rule('markup-attribute-missing', (at, { element, attribute }) => warning('markup-attribute-missing', at, element, attribute), {
		rules: ['element-required-attributes', 'area-alt'],
		what: 'Each element says what it must, such as a frame its title.',
		why: 'Without it browsers show nothing, or those who listen cannot tell what it is.',
		wrong: '<iframe src="https://maps.example/lent"></iframe>',
		mended: '<iframe src="https://maps.example/lent" title="The way to us"></iframe>'
	}),
	rule('markup-attribute-value', (at, { element, attribute, other }) => warning('markup-attribute-value', at, element, attribute, other), {
		rules: ['attribute-allowed-values', 'attribute-misuse', 'input-attributes', 'valid-autocomplete', 'autocomplete-password', 'valid-id'],
		what: 'Attributes have values that HTML knows.',
		why: 'Browsers pass over what they do not know, and take something else.',
		wrong: '<label>Kind <input type="txt"></label>',
		mended: '<label>Kind <input type="text"></label>'
	}),
	rule('markup-attribute-twice', (at, { element, attribute }) => warning('markup-attribute-twice', at, element, attribute), {
		rules: ['no-dup-attr', 'no-dup-class'],
		what: 'No attribute or class is said twice on an element.',
		why: 'Browsers take the first, and the other does nothing.',
		wrong: '<p title="Beans" title="Peas">Seed</p>',
		mended: '<p title="Beans">Seed</p>'
	}),
	rule('markup-autoplay', (at, { element }) => warning('markup-autoplay', at, element), {
		rules: ['no-autoplay'],
		what: 'Nothing plays by itself.',
		why: 'It drowns what a screen reader says, and what moves draws the eye from what one reads.',
		wrong: '<video src="#" autoplay></video>',
		mended: '<video src="#" controls></video>',
		mend: (at, { attribute }) => (attribute === 'autoplay' ? instead(at, 'controls') : undefined)
	}),
	rule('markup-element-unknown', (at, { element }) => warning('markup-element-unknown', at, element), {
		rules: ['element-name'],
		what: 'Each element is one that HTML knows, or one of your own with a hyphen.',
		why: 'Browsers take it for a line of text, and nobody hears what it is.',
		wrong: '<headline>Beans</headline>',
		mended: '<h2>Beans</h2>'
	}),
	rule('markup-name-idle', (at, { element, attribute }) => warning('markup-name-idle', at, element, attribute), {
		rules: ['aria-label-misuse'],
		what: 'What is named for those who listen is something that can have a name.',
		why: 'A paragraph or a div has no role, so its name is not read.',
		wrong: '<p aria-label="Beans">Seed</p>',
		mended: '<section aria-label="Beans"><p>Seed</p></section>'
	}),
	rule('markup-name-twice', (at, { element, attribute }) => warning('markup-name-twice', at, element, attribute), {
		rules: ['form-dup-name', 'map-dup-name', 'map-id-name', 'multiple-labeled-controls'],
		what: 'In a form each field has a name and a label of its own.',
		why: 'Of two with one name only one can be told apart from the other.',
		wrong: '<form><label>Bean <input type="text" name="kind"></label><label>Pea <input type="text" name="kind"></label><button type="submit">Ask</button></form>',
		mended: '<form><label>Bean <input type="text" name="bean"></label><label>Pea <input type="text" name="pea"></label><button type="submit">Ask</button></form>'
	}),
	rule('markup-role-abstract', (at, { element }) => warning('markup-role-abstract', at, element), {
		rules: ['no-abstract-role', 'aria-hidden-body'],
		what: 'No role is used that only stands for others.',
		why: 'Nothing knows such a role, so the element is read out as if it had none.',
		wrong: '<div role="widget">Seed</div>',
		mended: '<div role="group" aria-label="Beans">Seed</div>'
	}),
	rule('markup-character-unknown', (at) => warning('markup-character-unknown', at), {
		rules: ['unrecognized-char-ref'],
		what: 'Characters by name are ones that HTML knows, and end with a semicolon.',
		why: 'Browsers show the letters of the name in the place of the character.',
		wrong: '<p>Beans &nope; peas</p>',
		mended: '<p>Beans &amp; peas</p>'
	}),
	rule('markup-old', (at, { element, attribute }) => hint('markup-old', at, element, attribute), {
		rules: ['deprecated', 'no-deprecated-attr', 'no-conditional-comment'],
		what: 'No element or attribute is one that HTML has given up.',
		why: 'Browsers may stop to know it, and styles do it better.',
		wrong: '<center>Beans</center>',
		mended: '<p>Beans</p>'
	}),
	rule('markup-type-implied', (at, { element }) => hint('markup-type-implied', at, element), {
		rules: ['no-implicit-button-type', 'no-implicit-input-type'],
		what: 'Buttons and fields say their type.',
		why: 'A button without one sends the form that it stands in.',
		wrong: '<button>More</button>',
		mended: '<button type="button">More</button>',
		mend: (at, { element, from }, { markup }) => {
			const inForm = markup.lastIndexOf('<form', from) > markup.lastIndexOf('</form', from);
			return attributeMore(at, `type="${element === 'input' ? 'text' : inForm ? 'submit' : 'button'}"`);
		}
	}),
	rule('markup-end-left-out', (at, { element }) => hint('markup-end-left-out', at, element), {
		rules: ['no-implicit-close'],
		what: 'A paragraph has nothing in it that ends it.',
		why: 'It ends where a box or a list begins, whatever comes later: what follows stands beside it.',
		wrong: '<p>Seed <ul><li>Beans</li></ul>',
		mended: '<p>Seed</p> <ul><li>Beans</li></ul>',
		isFine: ({ message }) => !/<p> is implicitly closed by adjacent <(?!p>)/.test(message)
	}),
	rule('markup-style-inline', (at, { element }) => hint('markup-style-inline', at, element), {
		rules: ['no-inline-style'],
		what: 'What elements look like is said in styles.',
		why: 'An attribute wins over all styles, knows no bands and no night, and stands in every element anew.',
		wrong: '<p style="color: #333">Beans</p>',
		mended: '<p>Beans</p>'
	}),
	rule('markup-said-already', (at, { element, attribute }) => hint('markup-said-already', at, element, attribute), {
		rules: ['no-redundant-aria-label', 'no-redundant-for', 'no-redundant-role', 'wcag/h67'],
		what: 'Nothing is said that the element says already.',
		why: 'Some hear it twice, and whoever reads the markup wonders why.',
		wrong: '<ul role="list"><li>Beans</li></ul>',
		mended: '<ul><li>Beans</li></ul>'
	}),
	rule('markup-native-better', (at, { element, attribute, other }) => hint('markup-native-better', at, element, attribute, other), {
		rules: ['prefer-button', 'prefer-native-element'],
		what: 'Where HTML has an element for it, that is used.',
		why: 'It brings keyboard, focus and role by itself.',
		wrong: '<div role="button" tabindex="0">More</div>',
		mended: '<button type="button">More</button>'
	}),
	rule('markup-phone-breaks', (at) => hint('markup-phone-breaks', at), {
		rules: ['tel-non-breaking'],
		what: 'A telephone number stays in one line.',
		why: 'At the end of a line it is torn in two, and hard to read out to somebody.',
		wrong: '<a href="tel:+4412">+44 12</a>',
		mended: '<a href="tel:+4412">+44&nbsp;12</a>'
	}),
	rule('markup-head-scope', (at, { element }) => hint('markup-head-scope', at, element), {
		rules: ['wcag/h63'],
		what: 'Where a table has heads of rows and of columns, each says which it is.',
		why: 'Those who listen hear with each value what it is of, and hear the wrong head without it.',
		wrong: '<table><tr><th scope="col">Kind</th><th>Kept</th></tr><tr><th scope="row">Beans</th><td>3</td></tr></table>',
		mended: '<table><tr><th scope="col">Kind</th><th scope="col">Kept</th></tr><tr><th scope="row">Beans</th><td>3</td></tr></table>',
		mend: (at) => attributeMore(at, 'scope="col"')
	}),
	rule('markup-role-unknown', (at, { other }) => warning('markup-role-unknown', at, other), {
		rules: ['role-unknown'],
		what: 'Each role is one that WAI-ARIA knows.',
		why: 'Nothing knows another, so the element is read out as if it had none.',
		wrong: '<div role="notte">Seed</div>',
		mended: '<div role="note">Seed</div>',
		mend: (at, { message }) => (message === '' ? undefined : instead(at, `role="${message}"`))
	}),
	rule('markup-aria-unknown', (at, { attribute }) => warning('markup-aria-unknown', at, attribute), {
		rules: ['aria-unknown'],
		what: 'Each aria attribute is one that WAI-ARIA knows.',
		why: 'Nothing reads another, so what it was to say is not said.',
		wrong: '<section aria-lable="Beans"><p>Seed</p></section>',
		mended: '<section aria-label="Beans"><p>Seed</p></section>',
		mend: ({ file, from }, { attribute, message }) => message === '' ? undefined : instead({ file, from, to: from + attribute.length }, message)
	}),
	rule('markup-aria-value', (at, { attribute, other }) => warning('markup-aria-value', at, attribute, other), {
		rules: ['aria-value'],
		what: 'Each aria attribute has a value that it can have.',
		why: 'Another value counts as none, or as the first that there is.',
		wrong: '<p aria-live="loud">Seed</p>',
		mended: '<p aria-live="polite">Seed</p>'
	}),
	rule('markup-tabindex', (at, { element, other }) => warning('markup-tabindex', at, element, other), {
		rules: ['tabindex-above-zero'],
		what: 'By keyboard one goes through the page in the order in which it is read.',
		why: 'What has a number of its own comes before all else on the page, wherever it stands.',
		wrong: '<a href="#main" tabindex="3">To the seed</a>',
		mended: '<a href="#main">To the seed</a>',
		mend: (at) => instead(at, 'tabindex="0"')
	}),
	rule('markup-link-words', (at, { other }) => hint('markup-link-words', at, other), {
		rules: ['link-words'],
		what: 'The words of a link say where it leads.',
		why: 'Those who listen go from link to link, and hear "here, here, more".',
		wrong: '<a href="#main">here</a>',
		mended: '<a href="#main">What we lend</a>'
	}),
	rule('markup-alt-words', (at, { other }) => warning('markup-alt-words', at, other), {
		rules: ['alt-words'],
		what: 'What a picture shows is said in words.',
		why: 'The name of a file, or "picture", says nothing of what is seen.',
		wrong: '<img src="data:," alt="IMG_2041" width="8" height="8">',
		mended: '<img src="data:," alt="An open pod" width="8" height="8">'
	}),
	rule('markup-address-empty', (at, { other }) => warning('markup-address-empty', at, other), {
		rules: ['address-empty'],
		what: 'A link that writes or calls says to whom.',
		why: 'Whoever follows it gets an empty letter.',
		wrong: '<a href="mailto:">Write to us</a>',
		mended: '<a href="mailto:seed@lent.example">Write to us</a>'
	}),
	rule('markup-table-heads', (at) => hint('markup-table-heads', at), {
		rules: ['table-heads'],
		what: 'A table has heads.',
		why: 'Those who listen hear one value after the other, and not of what.',
		wrong: '<table><tr><td>Beans</td><td>3</td></tr></table>',
		mended: '<table><tr><th>Beans</th><td>3</td></tr></table>',
		mend: firstRowAsHeads
	})
]; // prettier-ignore

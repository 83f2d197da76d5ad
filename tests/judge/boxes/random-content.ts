import fc from 'fast-check';

/** Content as pages have it: text, tables, forms, pictures and all that depends on the screen. Nothing is made simple. */

const words = 'seed sown under glass in March planted out when nights are mild and the soil of the long beds keeps the shape of a hand that presses it a label for each kind'.split(' '); // prettier-ignore

const text = fc
	.array(fc.constantFrom(...words, 'Saatgutbibliotheksöffnungszeiten', 'https://seeds.example/long/address', '&amp;', '12–14'), { minLength: 1, maxLength: 60 })
	.map((list) => list.join(' ')); // prettier-ignore
const short = fc.array(fc.constantFrom(...words), { minLength: 1, maxLength: 4 }).map((list) => list.join(' ')); // prettier-ignore

/** A picture without a file: browsers know its size from what stands in it. */
function picture(width: number, height: number): string {
	const svg = `<svg xmlns='http://www.w3.org/2000/svg' width='${width}' height='${height}'/>`;
	return `data:image/svg+xml,${encodeURIComponent(svg)}`;
}

const pictures = fc
	.tuple(fc.constantFrom(24, 160, 480, 900), fc.constantFrom(24, 110, 320))
	.map(([width, height]) => picture(width, height));

const blocks: fc.Arbitrary<string> = fc.oneof(
	text.map((one) => `<p>${one}</p>`),
	fc.tuple(short, text).map(([head, one]) => `<h2>${head}</h2><p>${one}</p>`),
	text.map((one) => `<p class="fluid">${one}</p>`),
	text.map((one) => `<blockquote><p>${one}</p></blockquote>`),
	text.map((one) => one),
	fc.array(short, { minLength: 1, maxLength: 5 }).map((list) => `<ul>${list.map((one) => `<li>${one}</li>`).join('')}</ul>`), // prettier-ignore
	fc.array(short, { minLength: 2, maxLength: 5 }).map((list) => `<div class="cards">${list.map((one) => `<div>${one}</div>`).join('')}</div>`), // prettier-ignore
	fc.array(fc.tuple(short, short, text), { minLength: 1, maxLength: 3 }).map((rows) => `<table>${rows.map((row) => `<tr>${row.map((one) => `<td>${one}</td>`).join('')}</tr>`).join('')}</table>`), // prettier-ignore
	fc.tuple(pictures, fc.constantFrom('', 'class="full"', 'class="most"', 'width="80"', 'style="width: 40%"')).map(([src, how]) => `<p><img src="${src}" alt="" ${how}></p>`), // prettier-ignore
	fc.tuple(pictures, text).map(([src, one]) => `<img class="float" src="${src}" alt=""><p>${one}</p>`), // prettier-ignore
	fc.tuple(short, short).map(([one, other]) => `<form><label>${one}</label> <input size="12"> <select><option>${other}</option></select> <textarea rows="2"></textarea> <button>${one}</button></form>`), // prettier-ignore
	text.map((one) => `<pre>${one}</pre>`),
	short.map((one) => `<p class="line">${one}</p>`),
	text.map((one) => `<div class="two">${one}</div>`),
	fc.constantFrom('16 / 9', '1').map((ratio) => `<div style="aspect-ratio: ${ratio}; padding: 3%">x</div>`), // prettier-ignore
	short.map((one) => `<span class="pill">${one}</span> <span class="pill">${one}</span>`)
);

/** Some blocks, one after the other. */
export const realContent = fc.array(blocks, { minLength: 1, maxLength: 3 }).map((list) => list.join('')); // prettier-ignore

/** What a site with such content says of it. */
export const contentStyle = `
    body { font: 15px/1.5 sans-serif }
    .fluid { font-size: clamp(13px, 1rem + 1.2vw, 30px) }
    .full { width: 100%; height: auto; display: block }
    .most { max-width: 100%; height: auto }
    .float { float: left; width: 35%; height: auto; margin: 0 10px 4px 0 }
    .cards { display: grid; gap: 8px; grid-template-columns: repeat(auto-fill, minmax(110px, 1fr)) }
    .cards > div { padding: 6px; border: 1px solid }
    td { padding: 4px 8px; border-bottom: 1px solid }
    pre { overflow: auto; margin: 0 }
    .line { white-space: nowrap; overflow: hidden; text-overflow: ellipsis }
    .two { columns: 9em }
    .pill { display: inline-block; padding: 1px 7px; border: 1px solid; border-radius: 9px }
    @media (min-width: 700px) { h2 { font-size: 26px } .cards { gap: 14px } }
    @media (max-width: 420px) { blockquote { margin: 8px 0 } }`;

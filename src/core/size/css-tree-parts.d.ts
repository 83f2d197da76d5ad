/** The parts of the library by themselves, whose types it gives for all of it together. */
declare module 'css-tree/parser' {
	export { parse as default } from 'css-tree';
}
declare module 'css-tree/generator' {
	export { generate as default } from 'css-tree';
}
declare module 'css-tree/walker' {
	export { walk as default } from 'css-tree';
}
declare module 'css-tree/tokenizer' {
	export { tokenize, tokenTypes } from 'css-tree';
}
declare module 'css-tree/utils' {
	export { string, url } from 'css-tree';
}

/**
 * The library that reads CSS, without what it knows of every property: that is most of it, and the language has a
 * table of its own.
 */
export { default as parse } from 'css-tree/parser';
export { default as generate } from 'css-tree/generator';
export { default as walk } from 'css-tree/walker';
export { tokenize, tokenTypes } from 'css-tree/tokenizer';
export { string, url } from 'css-tree/utils';
export type { CssNode, Declaration, FunctionNode, List } from 'css-tree';

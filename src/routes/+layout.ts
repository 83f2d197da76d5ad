// The open site lives in the visitor's browser, so there is nothing to render on the server.
export const ssr = false;
export const prerender = false;

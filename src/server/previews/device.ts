import * as z from 'zod';

/** What a device says of itself, in the query of what it listens to. */
export const deviceSchema = z.object({
	id: z.string().regex(/^[\w-]{8,40}$/),
	/** CSS px */
	width: z.coerce.number().int().min(100).max(10_000),
	/** CSS px */
	height: z.coerce.number().int().min(100).max(10_000),
	/** Device pixels for each CSS px. */
	ratio: z.coerce.number().min(0.1).max(20),
	/** px that 1rem is. */
	text: z.coerce.number().min(1).max(200)
});
export type Device = z.infer<typeof deviceSchema>;

/** The script by which a page on a device renews itself, and says how large its screen is. */
export const deviceScript = `const base = document.currentScript.src.replace(/\\.live\\.js$/, '');
const id = Array.from(crypto.getRandomValues(new Uint8Array(9)), (byte) => byte.toString(36)).join('').slice(0, 16).padEnd(8, '0');
let news;
const listen = () => {
  news?.close();
  const text = parseFloat(getComputedStyle(document.documentElement).fontSize);
  const device = { id, width: innerWidth, height: innerHeight, ratio: devicePixelRatio, text };
  news = new EventSource(base + '.live?' + new URLSearchParams(device));
  news.onmessage = ({ data }) => { if (data === 'changed') location.reload(); };
};
listen();
let wait;
addEventListener('resize', () => { clearTimeout(wait); wait = setTimeout(listen, 200); });
addEventListener('pagehide', () => news.close());
addEventListener('pageshow', ({ persisted }) => { if (persisted) listen(); });
`;

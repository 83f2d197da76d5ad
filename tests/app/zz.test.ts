import { after, before, test } from 'node:test';
import { startApp, frames, type App } from '../lib/app.ts';
import { sourceText } from '../lib/stage.ts';
let app: App;
before(async () => { app = await startApp(); });
after(() => app.close());
test('pictures', async () => {
	await app.load('/material?part=parts');
	await frames(app.page, 60);
	await app.page.screenshot({ path: '/tmp/z1.png' });
	void sourceText;
});

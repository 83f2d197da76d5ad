import { crc32, deflateSync } from 'node:zlib';

/** A PNG of one colour (PNG, third edition, section 5): a picture of any size, made where a test needs it. */
export function png(width: number, height: number): Uint8Array {
	const head = Buffer.alloc(13);
	head.writeUInt32BE(width, 0);
	head.writeUInt32BE(height, 4);
	// 8 bits of grey.
	head[8] = 8;
	const lines = Buffer.alloc((width + 1) * height, 120);
	for (let line = 0; line < height; line++) lines[line * (width + 1)] = 0;
	const signature = Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]);
	return Buffer.concat([
		signature,
		chunk('IHDR', head),
		chunk('IDAT', deflateSync(lines)),
		chunk('IEND', Buffer.alloc(0))
	]);
}

function chunk(name: string, data: Buffer): Buffer {
	const named = Buffer.concat([Buffer.from(name), data]);
	const [length, sum] = [Buffer.alloc(4), Buffer.alloc(4)];
	length.writeUInt32BE(data.length);
	sum.writeUInt32BE(crc32(named));
	return Buffer.concat([length, named, sum]);
}

/**
 * A stand-in for a program that turns text into speech: it hums one note for each word, at so many words a minute. A file
 * `humming.voice.json` in the folder of voices makes it a voice to choose:
 * { "name": "Humming", "languages": ["en", "de"], "command": ["node", "scripts/stand-in-voice.mjs", "{rate}"] }
 */

const RATE = 22_050;
const wordsPerMinute = Number(process.argv[2] ?? 150);
let text = '';
for await (const part of process.stdin) text += part;
const words = text.split(/\s+/).filter(Boolean);
const each = Math.round((RATE * 60) / wordsPerMinute);
const wav = Buffer.alloc(44 + 2 * each * words.length);
wav.write('RIFF', 0);
wav.writeUInt32LE(wav.length - 8, 4);
wav.write('WAVEfmt ', 8);
wav.writeUInt32LE(16, 16);
wav.writeUInt16LE(1, 20);
wav.writeUInt16LE(1, 22);
wav.writeUInt32LE(RATE, 24);
wav.writeUInt32LE(2 * RATE, 28);
wav.writeUInt16LE(2, 32);
wav.writeUInt16LE(16, 34);
wav.write('data', 36);
wav.writeUInt32LE(wav.length - 44, 40);
words.forEach((word, n) => {
  const hz = 160 + 12 * (word.length % 8);
  for (let i = 0; i < each; i++) {
    const swell = Math.sin((Math.PI * i) / each);
    const sample = 0.3 * swell * Math.sin((2 * Math.PI * hz * i) / RATE);
    wav.writeInt16LE(Math.round(32_767 * sample), 44 + 2 * (n * each + i));
  }
});
process.stdout.write(wav);

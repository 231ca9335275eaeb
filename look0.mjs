import { chromium } from '@playwright/test';
import { spawn } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
const dir = mkdtempSync('/tmp/kl-');
const s = spawn('node', ['apps/server/bundle/main.js'], { cwd: '/work/main', env: { ...process.env, PORT: '4600', KLEUR_DATA: dir, NODE_ENV: 'production' } });
for (let i = 0; i < 100; i++) { try { await fetch('http://127.0.0.1:4600/api/health'); break; } catch { await new Promise((r) => setTimeout(r, 100)); } }
await fetch('http://127.0.0.1:4600/api/demo/reset', { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify({ confirm: 'replace everything with the demo' }) }).then(async (r) => { if (!r.ok) console.log(await r.text()); });
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
export const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' });
page.on('pageerror', (e) => console.log('PAGEERROR', e.message));
page.on('console', (m) => m.type() === 'error' && console.log('CONSOLE', m.text()));
export const base = 'http://127.0.0.1:4600';
export const list = (await (await fetch(`${base}/api/batches?pageSize=50`)).json()).items;
export const of = (name) => list?.find((b) => b.name.startsWith(name));
export const done = async () => { await browser.close(); s.kill(); process.exit(0); };

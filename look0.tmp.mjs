import { chromium } from '@playwright/test';
import { spawn } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
const port = 4870 + Math.floor(Math.random()*100);
const demo = !process.argv.includes('--empty');
const data = mkdtempSync('/tmp/kl-');
const srv = spawn('node', ['apps/server/bundle/main.js', ...(demo?[]:['--empty'])], { env: { ...process.env, PORT: String(port), KLEUR_DATA: data, NODE_ENV: 'production' }, stdio: 'ignore' });
for (let i=0;i<100;i++){ try { if ((await fetch(`http://127.0.0.1:${port}/api/health`)).ok) break; } catch {} await new Promise(r=>setTimeout(r,200)); }
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium-headless-shell', args: ['--no-sandbox','--disable-gpu'] });
const file = process.argv[2];
const { default: run } = await import(file);
try { await run({ browser, base: `http://127.0.0.1:${port}` }); } finally { await browser.close(); srv.kill(); }
process.exit(0);

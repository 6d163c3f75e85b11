import { chromium } from 'playwright-core';
const base='http://localhost:8460';
export async function open(who, size){ const b=await chromium.launch({executablePath:'/usr/bin/chromium',args:['--no-sandbox']}); const c=await b.newContext({viewport:size,baseURL:base}); const p=await c.newPage(); p.on('console',m=>{if(m.type()==='error')console.log('console:',m.text().slice(0,200))}); p.on('pageerror',e=>console.log('pageerror',String(e).slice(0,300)));
 await p.goto('/sign-in'); await p.getByLabel('E-mail address').fill(who+'@tarnhollow.example'); await p.getByLabel('Password').fill('walk-the-trail'); await p.getByRole('button',{name:'Sign in'}).click(); await p.waitForTimeout(2500); return {b,p}; }

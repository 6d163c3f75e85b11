import {open} from './shot-tmp.mjs';
const {b,p}=await open('edda',{width:1280,height:800});
for (const v of ['jobs','places','people']) { await p.goto('/'+v); await p.waitForTimeout(2000); await p.screenshot({path:`/tmp/${v}.png`}); }
await p.goto('/people?new=person'); await p.waitForTimeout(1500); await p.screenshot({path:'/tmp/person.png'});
await p.goto('/day?new=job'); await p.waitForTimeout(1500); await p.getByRole('combobox',{name:'Place',exact:true}).fill('ga'); await p.waitForTimeout(800); await p.screenshot({path:'/tmp/newjob.png'});
await b.close();

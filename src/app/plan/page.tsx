'use client';
import { useState } from 'react';
import { startPlan } from '@/workers/planWorker';
export default function P(){const [m,s]=useState('');return <button onClick={async()=>{const d=(await (await fetch('/api/rigs/lock-nine')).json()).document;const k=(await (await fetch('/api/kit')).json()).items;startPlan({document:d,kit:k,seconds:10},(x)=>s(JSON.stringify(x).slice(0,400)))}}>go<pre>{m}</pre></button>}

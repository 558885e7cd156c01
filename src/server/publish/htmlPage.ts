/** How a published page looks and what its keys do: shipped as it stands, so plain CSS and plain script. */

export const pageStyle = `
:root{--page:#fdfcf9;--ink:#1c2126;--quiet:#5a6068;--rule:#d9d6cc;--focus:#0b6e99;color-scheme:light}
:root[data-theme=dark]{--page:#14181c;--ink:#e9e6df;--quiet:#a4a9af;--rule:#353b41;--focus:#6cc4ec;color-scheme:dark}
*{box-sizing:border-box}
body{margin:0;background:var(--page);color:var(--ink);font:1.05rem/1.6 var(--body),system-ui,sans-serif}
header,main,nav.figures{max-width:46rem;margin:0 auto;padding:0 1.25rem}
header{padding-top:2.5rem}
h1,h2,h3,h4,h5,h6{line-height:1.25;font-family:var(--heading),system-ui,sans-serif;font-weight:var(--heading-weight);margin:1.8em 0 .5em}
h1{margin-top:0;font-size:2rem}
.tools{display:flex;flex-wrap:wrap;gap:1rem;align-items:center;font:.9rem var(--body),system-ui,sans-serif}
button,select{font:inherit;color:inherit;background:transparent;border:1px solid var(--rule);border-radius:.3rem;padding:.25rem .7rem;min-height:2rem}
button[aria-pressed=true]{border-color:var(--focus)}
:focus-visible{outline:2px solid var(--focus);outline-offset:2px}
figure{margin:2rem 0;position:relative}
.stage{overflow:auto;max-height:90vh}
.picture{display:none}
.picture svg{display:block;width:100%;height:auto;max-height:none}
.picture.on{display:block}
html[data-embed] header,html[data-embed] nav.figures,html[data-embed] main>:not(figure){display:none}
html[data-embed] figure{margin:.5rem 0}
html[data-embed] main{max-width:none;padding:0 .5rem}
.zoom{display:flex;gap:.4rem;justify-content:flex-end;font:.85rem var(--body),system-ui,sans-serif;margin-top:.3rem}
figcaption{text-align:center;color:var(--quiet);font:.92rem var(--body),system-ui,sans-serif;margin-top:.4rem}
details{color:var(--quiet);font:.92rem var(--body),system-ui,sans-serif;margin-top:.4rem}
summary{cursor:pointer}
svg [data-part]{outline-offset:3px}
svg [data-part]:focus{outline:2px solid var(--focus)}
svg.some [data-part]:not(.near){opacity:.28}
@media (prefers-reduced-motion:no-preference){svg [data-part]{transition:opacity .15s}}
.table{overflow-x:auto}
table{border-collapse:collapse;width:100%}
th,td{border:1px solid var(--rule);padding:.35rem .6rem;text-align:start;vertical-align:top}
td>p,th>p,li>p{margin:.1em 0}
.say{position:absolute;width:1px;height:1px;overflow:hidden;clip-path:inset(50%);margin:0}
nav.figures{padding-bottom:3rem}
@media print{.tools,.zoom,details{display:none}figure{break-inside:avoid}.stage{max-height:none;overflow:visible}}
`
  .replace(/\n/g, '')
  .trim()

/** Arrow keys go along connectors, then in the order of the text; Escape lets go; a node with an inset opens it. */
export const pageScript = `
(function(){
'use strict';
var root=document.documentElement,say=document.querySelector('.say');
var figures=[].slice.call(document.querySelectorAll('figure'));
var language=null;
function show(){figures.forEach(function(f){
  var own=f.dataset.own,list=[].slice.call(f.querySelectorAll('.picture')),theme=root.dataset.theme;
  var wanted=list.filter(function(p){return p.dataset.theme===theme});
  var best=wanted.filter(function(p){return p.dataset.language===language})[0]||wanted.filter(function(p){return p.dataset.language===own})[0]||list[0];
  list.forEach(function(p){p.classList.toggle('on',p===best)});
})}
function partsOf(svg){return [].slice.call(svg.querySelectorAll('[data-part]'))}
function near(f,svg,id){
  var links=JSON.parse(f.dataset.links),keep={};keep[id]=true;
  links.forEach(function(l){if(l[1]===id||l[2]===id||l[0]===id){keep[l[0]]=keep[l[1]]=keep[l[2]]=true}});
  partsOf(svg).forEach(function(p){p.classList.toggle('near',!!keep[p.dataset.part])});
  svg.classList.add('some');
}
function rest(svg){svg.classList.remove('some')}
figures.forEach(function(f){
  var insets=JSON.parse(f.dataset.insets),scale=1,stage=f.querySelector('.stage');
  function zoom(to){scale=Math.min(6,Math.max(1,to));[].slice.call(f.querySelectorAll('svg')).forEach(function(s){s.style.width=scale*100+'%'})}
  f.addEventListener('click',function(e){
    var d=e.target.closest('[data-do]');
    if(d){var what=d.dataset.do;zoom(what==='larger'?scale*1.3:what==='smaller'?scale/1.3:1);return}
    var p=e.target.closest('[data-part]');
    if(p){p.focus();open(p)}
  });
  stage.addEventListener('wheel',function(e){if(e.ctrlKey){e.preventDefault();zoom(scale*(e.deltaY<0?1.15:1/1.15))}},{passive:false});
  function open(p){var to=insets[p.dataset.part];if(to){location.hash=to;var t=document.querySelector(to+' .picture.on [data-part]');if(t)t.focus()}}
  [].slice.call(f.querySelectorAll('svg')).forEach(function(svg){
    var parts=partsOf(svg);
    var first=parts.filter(function(p){return !JSON.parse(f.dataset.links).some(function(l){return l[0]===p.dataset.part})})[0]||parts[0];
    parts.forEach(function(p){p.setAttribute('tabindex',p===first?'0':'-1');
      if(insets[p.dataset.part])p.setAttribute('role','link')});
    function go(p){parts.forEach(function(q){q.setAttribute('tabindex',q===p?'0':'-1')});p.focus()}
    svg.addEventListener('focusin',function(e){var p=e.target.closest('[data-part]');if(p){near(f,svg,p.dataset.part);
      var links=JSON.parse(f.dataset.links).filter(function(l){return l[1]===p.dataset.part});
      var names=links.map(function(l){var q=svg.querySelector('[data-part="'+CSS.escape(l[0])+'"]');return q?q.getAttribute('aria-label'):''}).filter(Boolean);
      say.textContent=p.getAttribute('aria-label')+(names.length?'. '+names.join('; '):'')}});
    svg.addEventListener('focusout',function(){rest(svg)});
    svg.addEventListener('keydown',function(e){
      var p=e.target.closest('[data-part]');if(!p)return;
      var id=p.dataset.part,links=JSON.parse(f.dataset.links),i=parts.indexOf(p),to=null;
      function find(x){return parts.filter(function(q){return q.dataset.part===x})[0]}
      if(e.key==='ArrowRight'||e.key==='ArrowDown'){var out=links.filter(function(l){return l[1]===id})[0];to=(out&&e.key==='ArrowRight'&&find(out[2]))||parts[i+1]}
      else if(e.key==='ArrowLeft'||e.key==='ArrowUp'){var into=links.filter(function(l){return l[2]===id})[0];to=(into&&e.key==='ArrowLeft'&&find(into[1]))||parts[i-1]}
      else if(e.key==='Home')to=parts[0];else if(e.key==='End')to=parts[parts.length-1];
      else if(e.key==='Escape'){p.blur();return}
      else if(e.key==='Enter'){open(p);return}
      else return;
      e.preventDefault();if(to)go(to);
    });
  });
});
document.addEventListener('click',function(e){var d=e.target.closest('[data-do=theme]');if(!d)return;
  root.dataset.theme=root.dataset.theme==='dark'?'light':'dark';d.setAttribute('aria-pressed',String(root.dataset.theme==='dark'));show()});
var select=document.querySelector('[data-do=language]');
if(select)select.addEventListener('change',function(){language=select.value;show()});
show();
})();
`.trim()

/** SVG as found in the wild, made up to be hard: what tests and the rendering check read. */
const open = (attributes: string) => `<svg xmlns="http://www.w3.org/2000/svg" ${attributes}>`;

const svg = (body: string, attributes = 'viewBox="0 0 100 100"') => `${open(attributes)}${body}</svg>`;

export const HARD_CASES: Readonly<Record<string, string>> = {
  "every path command": svg(
    `<g fill="none" stroke="#000" stroke-width="2"><path d="M5 5h20v10H5zm30 0q8 14 16 0t16 0M10 40c5-15 15-15 20 0s15 15 20 0S65 25 70 40"/>
    <path d="M10 70a15 9 20 1 0 20-5A6 6 0 0 1 40 60a4 9 45 0 1 10 10L55 60l3 12M60 60V90H80C90 90 95 80 85 70S70 55 90 55"/>
    <path d="M5 95.5.5.5 9e0-.5M75 10 95 30M75.5.5l10-0.3.2.9"/></g>`,
  ),
  "turned, skewed and squeezed": svg(
    `<g transform="translate(50 50) rotate(30)"><g transform="scale(1.6 .7)"><circle r="18" fill="none" stroke="#000" stroke-width="4"/>
    <path transform="skewX(25)" d="M-30-30Q0-10 25-30" fill="none" stroke="#000" stroke-width="3"/></g>
    <rect x="-10" y="20" width="30" height="12" transform="matrix(1 .2 -.2 1 3 4)" fill="none" stroke="#000" stroke-width="2"/></g>`,
  ),
  "origins and choices": svg(
    `<g fill="none" stroke="#000" stroke-width="3"><path style="transform:rotate(.125turn);transform-origin:50% 50%" d="M30 50H70"/><path transform="scale(.5)" transform-origin="right top" d="M10 10H90V40"/>
    <switch><g requiredExtensions="http://example.org/own"><path d="M0 0L100 100"/></g><g><path d="M10 90H90"/></g></switch><circle style="transform:rotate(50grad) scale(1.2);transform-origin:20px 60px" cx="24" cy="60" r="9"/></g>`,
  ),
  "style rules": svg(
    `<style><![CDATA[ :root{--pen:#204080} .a{stroke:red;stroke-width:5} path.a{stroke:var(--pen)} #b{stroke-width:3!important}
    g > .c{fill:none;stroke:var(--none,#a04020)} .a.d{stroke-linecap:round} @media print{.a{stroke:lime}} @supports (fill:red){.e{stroke:#157015}} ]]></style>
    <g><path class="a" fill="none" d="M5 10H95"/><path class="a d" id="b" fill="none" style="stroke-width:9" d="M5 30H95"/>
    <path class="c" stroke="lime" stroke-width="4" d="M5 50Q50 20 95 50"/><path class="e" fill="none" stroke-width="2" d="M5 70H95"/>
    <path class="a" fill="none" style="stroke:#702070;stroke-width:2px" d="M5 90H95"/></g>`,
  ),
  "symbols used again": svg(
    `<defs><symbol id="leaf" viewBox="0 0 20 40" preserveAspectRatio="xMinYMax meet"><path d="M10 2Q20 20 10 38Q0 20 10 2M10 2V38"/></symbol>
    <g id="pair"><use href="#leaf" width="30" height="40"/><use xlink:href="#leaf" xmlns:xlink="http://www.w3.org/1999/xlink" x="25" width="20" height="40"/></g></defs>
    <g fill="none" stroke="#000" stroke-width="1.5"><use href="#pair" x="2" y="4"/><use href="#pair" transform="translate(95 95) scale(-.9)" stroke="#335"/></g>`,
  ),
  "nested viewports": svg(
    `<g fill="none" stroke="#000" stroke-width="3"><svg x="5" y="5" width="40" height="40" viewBox="0 0 10 10" preserveAspectRatio="none"><path stroke-width=".6" d="M1 5H9M5 1V9"/><circle cx="5" cy="5" r="3" stroke-width=".4"/></svg>
    <svg x="55%" y="10%" width="40%" height="30%" viewBox="0 0 100 50"><ellipse cx="50" cy="25" rx="40" ry="20"/></svg>
    <svg x="10" y="55" width="80" height="40"><path d="M-20 20H100" stroke-width="4"/></svg></g>`,
  ),
  "clip paths": svg(
    `<clipPath id="round"><circle cx="30" cy="30" r="22"/></clipPath><clipPath id="ring" clip-rule="evenodd"><path clip-rule="evenodd" d="M55 5h40v40h-40zM65 15h20v20h-20z"/></clipPath>
    <clipPath id="half" clipPathUnits="objectBoundingBox"><rect width=".5" height="1"/></clipPath>
    <g clip-path="url(#round)"><path d="M0 30H60" stroke="#000" stroke-width="3"/><path d="M0 0H60V24H0Z" fill="#7ab06a"/></g>
    <path clip-path="url(#ring)" d="M50 0H100V50H50Z" fill="#c86040"/><circle clip-path="url(#half)" cx="50" cy="75" r="20" fill="#4060a0"/>`,
  ),
  "dashes, caps and joins": svg(
    `<g fill="none" stroke="#000" stroke-width="5"><path stroke-dasharray="9 4" d="M5 8H95"/><path stroke-linecap="round" stroke-dasharray="0,8" d="M5 20H95"/>
    <path stroke-linecap="square" stroke-dasharray="10% 5" stroke-dashoffset="3" d="M5 32H95"/><path d="M5 60 20 42 35 60"/><path stroke-linejoin="bevel" d="M38 60 53 42 68 60"/>
    <path stroke-linejoin="round" stroke-linecap="round" d="M72 60 82 42 95 60"/><path stroke-miterlimit="2" d="M5 90 15 70 25 90"/><path stroke-miterlimit="12" d="M40 92 46 72 52 92"/><circle cx="80" cy="80" r="12" stroke-width="3" stroke-dasharray="12 3 3 3"/></g>`,
  ),
  "strokes that do not scale": svg(
    `<g transform="scale(4)"><path vector-effect="non-scaling-stroke" fill="none" stroke="#000" stroke-width="3" d="M2 5Q12 20 22 5"/><path fill="none" stroke="#000" stroke-width=".5" d="M2 15H22"/></g>`,
    'viewBox="0 0 100 100" width="120" height="120"',
  ),
  "hidden things": svg(
    `<g stroke="#000" stroke-width="4" fill="none"><path display="none" d="M0 0L100 100"/><g visibility="hidden"><path d="M0 10H100"/><path visibility="visible" d="M0 30H100"/></g>
    <path style="display:none" d="M0 50H100"/><path stroke-opacity="0" d="M0 60H100"/><path stroke="transparent" d="M0 70H100"/><path stroke-width="0" d="M0 80H100"/><path d="M0 90H100"/></g>`,
  ),
  "flats over lines": svg(
    `<g stroke="#201810" stroke-width="2"><circle cx="38" cy="45" r="28" fill="#e0b050"/><path d="M5 45H95" fill="none"/><circle cx="62" cy="55" r="24" fill="#6f9a4a"/>
    <path d="M62 31V79" fill="none"/></g><path d="M10 80h30v12h-30z" fill="#c23f5a"/>`,
  ),
  "dark grounds and ink shapes": svg(
    `<rect width="120" height="120" fill="#22304a"/><circle cx="50" cy="50" r="40" fill="#f2e6c8"/><path fill="#1a1512" fill-rule="evenodd" d="M50 20C70 30 70 70 50 80C30 70 30 30 50 20ZM50 35C58 42 58 58 50 65C42 58 42 42 50 35Z"/>
    <path fill="#1a1512" d="M20 45h12v10h-12zM24 48h4v4h-4z"/>`,
  ),
  "see-through flats": svg(
    `<circle cx="40" cy="40" r="30" fill="#d05050" fill-opacity=".5"/><g opacity=".6"><circle cx="62" cy="62" r="28" fill="#3060c0"/></g><circle cx="50" cy="50" r="12" fill="rgba(80,200,80,.4)"/>`,
  ),
  "entities and prefixes": `<?xml version="1.0"?><!DOCTYPE svg PUBLIC "-//W3C//DTD SVG 1.1//EN" "http://www.w3.org/Graphics/SVG/1.1/DTD/svg11.dtd" [<!ENTITY ink "#102030"><!ENTITY ns "http://www.w3.org/2000/svg">]>
    <svg:svg xmlns:svg="&ns;" viewBox="0 0 100 100"><svg:g stroke="&ink;" stroke-width="3"><svg:path fill="none" d="M10 10Q50 90 90 10"/><svg:line x1="10" y1="90" x2="90" y2="80"/></svg:g></svg:svg>`,
  "colours and currentColor": svg(
    `<g color="#8a1c3c" stroke-width="4" fill="none"><path stroke="currentColor" d="M5 10H95"/><path stroke="hsl(200 60% 40%)" d="M5 30H95"/><path stroke="rgb(20%,40%,10%)" d="M5 50H95"/>
    <path stroke="rebeccapurple" d="M5 70H95"/><g color="#0a6"><path stroke="CurrentColor" d="M5 90H95"/></g></g>`,
  ),
  "units and a box off the origin": svg(
    `<g fill="none" stroke="#000"><path stroke-width="1mm" d="M-45-40H45"/><rect x="-10mm" y="-20" width="20mm" height="15pt" rx="2mm"/><ellipse cx="0" cy="20" rx="25%" stroke-width="1%"/><circle r="1em" cy="25"/></g>`,
    'viewBox="-50 -50 100 100" width="2in" height="2in"',
  ),
  "open fills": svg(
    `<polyline points="10,10 50,40 90,10 90,30" fill="#9fc3d0" stroke="#000" stroke-width="2"/><polygon points="20,60 50,50 80,60 65,90 35 90" fill="#efe3c8" stroke="#000" stroke-width="2" stroke-linejoin="round"/>
    <path d="M5 70Q15 95 25 70" fill="#6f9a4a"/>`,
  ),
};

export { drawPng, type PictureOptions } from './picture.ts';

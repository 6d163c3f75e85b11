export { layersInOrder, MAP_LOOKS, type MapLook } from './looks.ts';

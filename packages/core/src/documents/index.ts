export { isAbout, type About, type DocumentLink, LINKED_TO } from './about.ts';
export { filesToKeep, LARGEST_KEPT, MOST_KEPT, type NeededFile } from './files-to-keep.ts';

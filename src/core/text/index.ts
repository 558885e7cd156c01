export { blocksOf, markerOf, readableBlocks, type Block } from './blocks'
export { carrier } from './carried'
export { sentencesOf } from './sentences'
export { countMeeting, mergedSpans, shift, slice, spansMeet, trimmed, type Span } from './span'

// Slides.
export { inkOn, type MadeDeck, type MadeSlide, madeSlideSize, materialsOfSlides } from './made-slide.ts';
export { deckScript, type Slide, slideLengthMs } from './slide.ts';

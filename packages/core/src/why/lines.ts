/*
 * The arithmetic behind each figure, in plain words, one step a line. The figures are taken from where they are
 * worked out; only the words are made here.
 */
export type Lines = string[];

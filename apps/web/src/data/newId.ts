import { nanoid } from '@reduxjs/toolkit';

/** An id for a row that the maker adds. */
export const newId = (): string => nanoid(10);

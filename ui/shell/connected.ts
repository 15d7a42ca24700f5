'use client';
import { createContext, useContext } from 'react';

/** Whether the server answers, as far as this browser has heard. */
export const Connected = createContext(true);
export const useConnected = (): boolean => useContext(Connected);

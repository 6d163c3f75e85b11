import { createContext, useContext, type ComponentType } from 'react';

/**
 * A face's screens by name. Routes name their screen and the face's layout brings it: so each face
 * is one piece of code, and neither loads the other's.
 */
const FaceContext = createContext<Readonly<Record<string, ComponentType>>>({});
export const FaceProvider = FaceContext.Provider;

export function screenNamed(name: string): ComponentType {
  return function Screen() {
    const Named = useContext(FaceContext)[name];
    return Named ? <Named /> : null;
  };
}

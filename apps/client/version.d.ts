declare namespace NodeJS {
  interface ProcessEnv {
    readonly EXPO_PUBLIC_VERSION?: string;
  }
}

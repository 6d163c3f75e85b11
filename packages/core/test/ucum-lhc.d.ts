declare module '@lhncbc/ucum-lhc' {
  export class UcumLhcUtils {
    static getInstance(): UcumLhcUtils;
    convertUnitTo(
      from: string,
      value: number,
      to: string,
    ): { readonly status: string; readonly toVal: number | null };
  }
}

/** Home-made soap solution: how much to grate, what lime eats of it, and when it is no use. Lime soap by the mass of the calcium salt. */
import { say, type Message } from '../message/message.ts';

export const soapStock = {
  gPerL: 20,
  leastGPerL: 10,
  mostGPerL: 25,
  hotWaterC: [70, 80],
  restH: 12,
  keepsWeeks: 4,
} as const;
/** Grams of soap that a litre of water of 1 mmol/l turns into scum. */
const limeLossGPerLPerMmol = 0.61;
const washingGPerL = 1;
const tooHard = 2;
const mostStockMl = 1500;
/** Light ash per litre and mmol/l that softens it; crystals hold water. */
const ashGPerLPerMmol = 0.106;
const crystalsPerAsh = 2.7;

export const soapForStockG = (stockL: number, gPerL: number = soapStock.gPerL): number => stockL * gPerL;
export interface SoapDose {
  lossG: number;
  soapG: number;
  stockMl: number;
  refused: Message | null;
  sodaAshG: number;
  sodaCrystalsG: number;
}
/** `hardness` in mmol/l; null = unknown, which is refused. */
export function soapDose(bathL: number, hardness: number | null, gPerL: number = soapStock.gPerL): SoapDose {
  const h = hardness ?? tooHard;
  const lossG = bathL * h * limeLossGPerLPerMmol;
  const soapG = lossG + bathL * washingGPerL;
  const stockMl = (soapG / gPerL) * 1000;
  const refused =
    hardness === null
      ? say('soap.hardness-unknown')
      : h >= tooHard
        ? say('soap.too-hard')
        : stockMl > mostStockMl
          ? say('soap.too-much')
          : null;
  return {
    lossG,
    soapG,
    stockMl,
    refused,
    sodaAshG: bathL * h * ashGPerLPerMmol,
    sodaCrystalsG: bathL * h * ashGPerLPerMmol * crystalsPerAsh,
  };
}

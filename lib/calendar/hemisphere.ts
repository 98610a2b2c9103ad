import { inSeason, monthAfter, monthOf, type LocalMonth, type NorthernMonth } from './months';
import type { LocalDate } from './zone';

/**
 * Months of the two halves of the earth. All that is known is written for the northern year; south of the equator the same
 * stage comes six months later. Every border turns a local month into a northern one with `northernMonth`, and back with
 * `localMonth` where a month is told to people.
 */
export const isSouth = (lat: number): boolean => lat < 0;

/**
 * Whether a place lies south of the equator: by its latitude, and where nobody has said that, by its time zone. It is never
 * left open: months that are turned by half a year the wrong way spray a tree in flower.
 */
export const southOf = (place: { lat: number | null; timeZone: string }): boolean =>
  place.lat === null ? SOUTHERN_ZONES.test(place.timeZone) : isSouth(place.lat);

/** A question without a place, such as one on the command line, is one of the north where it gives no latitude. */
export const southOfCase = (question: { lat: number | null }): boolean =>
  question.lat !== null && isSouth(question.lat);

/**
 * Zones of the tz database whose town lies south of the equator, the former names of them among these. Nairobi and Manaus do by
 * a degree or three; there the months of neither half tell much.
 */
const SOUTHERN_ZONES = new RegExp(
  `^(${[
    'Australia/.+',
    'Antarctica/.+',
    'Africa/(Blantyre|Brazzaville|Bujumbura|Dar_es_Salaam|Gaborone|Harare|Johannesburg|Kigali|Kinshasa|Luanda|Lubumbashi|Lusaka|Maputo|Maseru|Mbabane|Nairobi|Windhoek)',
    'America/Argentina/.+',
    'America/(Araguaina|Asuncion|Bahia|Belem|Buenos_Aires|Campo_Grande|Catamarca|Cordoba|Coyhaique|Cuiaba|Eirunepe|Fortaleza|Guayaquil|Jujuy|La_Paz|Lima|Maceio|Manaus|Mendoza|Montevideo|Noronha|Porto_Acre|Porto_Velho|Punta_Arenas|Recife|Rio_Branco|Rosario|Santarem|Santiago|Sao_Paulo)',
    'Asia/(Dili|Jakarta|Jayapura|Makassar|Pontianak)',
    'Atlantic/(South_Georgia|St_Helena|Stanley)',
    'Brazil/.+',
    'Chile/.+',
    'Indian/(Antananarivo|Chagos|Christmas|Cocos|Comoro|Kerguelen|Mahe|Mauritius|Mayotte|Reunion)',
    'NZ(-CHAT)?',
    'Pacific/(Apia|Auckland|Bougainville|Chatham|Easter|Efate|Fakaofo|Fiji|Funafuti|Galapagos|Gambier|Guadalcanal|Kanton|Marquesas|Nauru|Niue|Norfolk|Noumea|Pago_Pago|Pitcairn|Port_Moresby|Rarotonga|Tahiti|Tongatapu|Wallis)',
  ].join('|')})$`,
);

const turned = (month: number): number => monthAfter(month, 6);

/** The month of the northern year that a local month stands for. */
export const northernMonth = (month: LocalMonth, south: boolean): NorthernMonth =>
  south ? turned(month) : (month as number);

/** The local month in which a month of the northern year comes. */
export const localMonth = (month: NorthernMonth, south: boolean): LocalMonth =>
  south ? turned(month) : (month as number);

/** Whether a day at a place lies in a window that is written in northern months. */
export const inWindow = (day: LocalDate, window: { from: NorthernMonth; to: NorthernMonth }, south: boolean): boolean =>
  inSeason(monthOf(day), [localMonth(window.from, south), localMonth(window.to, south)]);

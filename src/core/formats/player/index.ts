export { playerData, type PlayedStep, type PlayerData, type PlayerGiven } from './player-data';

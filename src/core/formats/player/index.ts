export { playerData, type PlayedStep, type PlayerData, type PlayerGiven } from './player-data';
export { writePlayer } from './write-player';

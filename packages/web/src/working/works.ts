/** How numbers come about: fetched when the first one is opened, not before the first answer. */
export {
  ratioWorking,
  workingOf,
  workingOfLink,
  workingOfOuting,
  workingOfWindow,
} from '@zubric/core/working';

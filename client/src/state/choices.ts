/** Words for the brief's fixed choices. */
export const choices = {
  water: [
    { id: 'smallStream', name: 'small stream' },
    { id: 'river', name: 'river' },
    { id: 'stillwater', name: 'stillwater' },
    { id: 'flat', name: 'flat' },
    { id: 'shore', name: 'open shore' },
  ],
  cover: [
    { id: 'open', name: 'open' },
    { id: 'behind', name: 'bushes behind' },
    { id: 'canopy', name: 'branches overhead' },
  ],
  stance: [
    { id: 'bank', name: 'on the bank' },
    { id: 'wading', name: 'wading' },
    { id: 'deepWading', name: 'wading deep' },
    { id: 'boat', name: 'in a boat' },
  ],
  wariness: [
    { id: 'bold', name: 'bold' },
    { id: 'usual', name: 'as usual' },
    { id: 'spooky', name: 'spooky' },
  ],
  salt: [
    { id: 'fresh', name: 'fresh' },
    { id: 'salt', name: 'salt' },
  ],
  hand: [
    { id: 'right', name: 'right' },
    { id: 'left', name: 'left' },
  ],
  school: [
    { id: 'flyFirst', name: 'the fly' },
    { id: 'fishFirst', name: 'the fish' },
  ],
  lean: [
    { id: 'allRound', name: 'all-round' },
    { id: 'finesse', name: 'finesse' },
    { id: 'power', name: 'power' },
  ],
  windFrom: [
    { id: '0', name: 'in my face' },
    { id: '45', name: 'from the front right' },
    { id: '90', name: 'from the right' },
    { id: '135', name: 'from behind right' },
    { id: '180', name: 'from behind' },
    { id: '225', name: 'from behind left' },
    { id: '270', name: 'from the left' },
    { id: '315', name: 'from the front left' },
  ],
};

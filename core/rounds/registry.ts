/** Every round family, one line each, in the order in which they are offered. */
import { held } from '../held.ts';
import type { Family } from './family.ts';
import { appliedCord } from './appliedCord.ts';
import { bobbles } from './bobbles.ts';
import { chainLoops } from './chainLoops.ts';
import { chevron } from './chevron.ts';
import { cluster } from './cluster.ts';
import { crocodile } from './crocodile.ts';
import { crossedDoubles } from './crossedDoubles.ts';
import { dots } from './dots.ts';
import { dotsAtCorners } from './dotsAtCorners.ts';
import { filetMesh } from './filetMesh.ts';
import { fillLoops } from './fillLoops.ts';
import { fringe } from './fringe.ts';
import { gapCluster } from './gapCluster.ts';
import { gapScallop } from './gapScallop.ts';
import { layeredPosts } from './layeredPosts.ts';
import { loopAndBlock } from './loopAndBlock.ts';
import { moss } from './moss.ts';
import { picotEdge } from './picotEdge.ts';
import { plain } from './plain.ts';
import { pointedPicot } from './pointedPicot.ts';
import { popcorns } from './popcorns.ts';
import { puff } from './puff.ts';
import { puffInSpaces } from './puffInSpaces.ts';
import { reverseEdge } from './reverseEdge.ts';
import { ruffle } from './ruffle.ts';
import { scallop } from './scallop.ts';
import { shell } from './shell.ts';
import { slipEdge } from './slipEdge.ts';
import { spider } from './spider.ts';
import { threesAndOnes } from './threesAndOnes.ts';
import { triplePicot } from './triplePicot.ts';
import { twistedEdge } from './twistedEdge.ts';
import { vStitch } from './vStitch.ts';

export const FAMILIES: readonly Family[] = [
  plain,
  slipEdge,
  reverseEdge,
  twistedEdge,
  appliedCord,
  shell,
  scallop,
  gapScallop,
  cluster,
  gapCluster,
  loopAndBlock,
  chainLoops,
  spider,
  puff,
  puffInSpaces,
  moss,
  layeredPosts,
  threesAndOnes,
  crocodile,
  triplePicot,
  dots,
  dotsAtCorners,
  fillLoops,
  vStitch,
  crossedDoubles,
  bobbles,
  popcorns,
  filetMesh,
  chevron,
  pointedPicot,
  picotEdge,
  ruffle,
  fringe,
];

/** A family by its id, or undefined. */
export const familyById = (id: string): Family | undefined => FAMILIES.find((f) => f.id === id);

/** The family with an id that is known to be one. */
export const familyWith = (id: string): Family => held(familyById(id), `there is a family ${id}`);

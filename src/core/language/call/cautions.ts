import { type P, spoken } from '../spoken'

export const W = spoken({
  nobodyHasReadBothGauges: 'Nobody has read both gauges at rest: there may be refrigerant inside.',
  readBothGaugesAtRest: 'Read both gauges at rest; recover what is inside with certified equipment.',
  thePumpNeverPulledOn: 'The pump never pulled on this car: air and water are still inside.',
  pumpOnThenOpenThe: 'Pump on, then open the manifold, and pull to the target.',
  nobodyHasShutThisCar: 'Nobody has shut this car in: there is no hold to judge.',
  shutBothManifoldValvesBefore: 'Shut both manifold valves before the pump is stopped.',
  nothingWasWeighedIntoThis: 'Nothing was weighed into this car.',
  planTheChargeAndWeigh: 'Plan the charge and weigh each container on and off.',
  nobodyHasReadBothSides: 'Nobody has read both sides and the vent with the engine running.',
  readThemAfterFiveMinutes: 'Read them after five minutes, at idle and at speed.',
  soManyWholeCansAre:
    'So many whole cans are more than this label allows, for certain: the high side rises, liquid can reach the ' +
    'compressor.',
  oneCanLessAndThe: 'One can less, and the rest by a kitchen scale; or smaller cans.',
  theCarIsStillOpen:
    'The car is still open to the pump: with its oil out the vacuum is lost, and air goes through it into the car.',
  shutTheValvesThenStop: 'Shut the valves, then stop the pump, then drain it.',
  nobodyHasSaidThatFresh: 'Nobody has said that fresh oil is in: a pump that runs dry is worn out in minutes.',
  fillItToTheMiddle: 'Fill it to the middle of its glass, and say so.',
  thePumpWasStartedCold:
    'The pump was started cold, less than a minute ago: thick oil draws badly and can stall it on a full system.',
  letItRunAMinute: 'Let it run a minute or two with the valves shut.',
  aCoreWasPutIn: 'A core was put in of a size these ports do not take: it seals on nothing, or cuts the thread.',
  holdTheNewCoreBeside: 'Hold the new core beside the old one; take it out again while the system is empty.',
  thereIsAChargeIn: 'There is a charge in this car: opened it blows liquid, pulled on it breaks the pump.',
  goBackToTheGauges: 'Go back to the gauges at rest and recover it, with certified equipment.',
  over50C122F: 'Over 50 °C (122 °F) a container can burst.',
  warmWaterOfTheHands: 'Warm water of the hand’s warmth, 50 °C (122 °F) at most; no flame, no heat gun.',
  theContainerIsInvertedAnd:
    'The container is inverted and the engine runs: liquid into the low side breaks the compressor.',
  shutTheLowValveStand: 'Shut the low valve, stand the container upright, or engine off.',
  liquidWentIntoThisSystem: 'Liquid went into this system: the compressor must not start against it.',
  dryNitrogenOnlyThroughA:
    'Dry nitrogen only, through a regulator with a relief valve, below the label’s limit. Never oxygen, never ' +
    'shop air.',
  ventilateLetItOutTo:
    'Ventilate; let it out to the air of the room before the pump runs: a pump is broken by pressure.',
  nitrogenStillStandsInThis:
    'Nitrogen still stands in this car: pressure breaks the pump, and blows out of what is opened.',
  letItOutToThe: 'Let it out to the air of the room first, and say so.',
  theHoseIsStillOn: 'The hose is still on the stopped pump: its oil creeps up into the manifold.',
  takeTheHoseOffThe: 'Take the hose off the pump, or open its inlet.',
  thisSystemWasUnderPressure:
    'This system was under pressure at the zero check: the pump is not a recovery machine, pressure breaks its vanes.',
  recoverTheRefrigerantWithCertified: 'Recover the refrigerant with certified equipment and read both gauges again.',
  nobodyHasReadBothGaugesAt: 'Nobody has read both gauges at rest: there may be pressure inside.',
  theChargingLineStillHolds: 'The charging line still holds air: opened now it goes into the car.',
  aShortHissAtThe: 'A short hiss at the manifold end first, with the car shut.',
  theVacuumGaugeIsStill: 'The vacuum gauge is still on: pressure breaks its sensor.',
  shutItsOwnValveOr: 'Shut its own valve, or take it off and cap its port, before the container is opened.',
  aValveIsOpenWith: 'A valve is open: with the centre hose off the car breathes through it, or blows out of it.',
  shutBothValvesFirst: 'Shut both valves first.',
  theCouplerStillPressesThe:
    'The coupler still presses the core: taken off so, the car leaks until the core springs back.',
  closeItFirstCounterClockwise: 'Close it first, counter-clockwise, then pull it off.',
  theExhaustCapIsOn: 'The exhaust cap is on: the pump pushes against it and blows its seal.',
  takeTheExhaustCapOff: 'Take the exhaust cap off, face away.',
  aManifoldValveIsOpen:
    'A manifold valve is open: with the pump off the vacuum is lost and oil is drawn back into the car.',
  shutBothManifoldValvesFirst: 'Shut both manifold valves first, then stop the pump.',
  highSideOpenWithThe: 'High side open with the engine on: the compressor can fill the container until it bursts.',
  keepTheHighValveShut: 'Keep the high valve shut while the engine runs.',
  aCouplerTurnsTheOther: 'A coupler turns the other way from a valve: clockwise opens it onto the core.',
  closedMeansCounterClockwisePush:
    'Closed means counter-clockwise. Push it on closed, tug, then open it until it presses the core and no further.',
  aManifoldValveIsOpenWhile:
    'A manifold valve is open while a coupler goes on: whatever is inside comes out of the centre hose.',
  closeBothManifoldValvesClockwise: 'Close both manifold valves, clockwise, first.',
  theEngineRunsTheHigh: 'The engine runs: the high side is at full pressure.',
  engineOffLetItRest: 'Engine off, let it rest, then take the high coupler off.',
  throughTheHighSideOnly: 'Through the high side only with the engine off, and only to let the first charge in.',
  shutItAgainBeforeThe: 'Shut it again before the engine starts. With cans leave it shut.',
  theCompressorMustNotTurn: 'The compressor must not turn in a vacuum: it has no oil and no gas to carry it.',
  leaveTheEngineOffUntil: 'Leave the engine off until the first charge is in.',
  thisPumpRunsOnNow: (car: P) => `This pump runs on ${car} now: one pump pulls on one car.`,
  isolateFirstOrTakeAnother: (car: P) => `Isolate ${car} first, or take another pump.`,
  letItStandMinutesWith: (lIQUIDSTANDSMIN: P) =>
    `Let it stand ${lIQUIDSTANDSMIN} minutes with the container shut, turn the compressor by hand a few turns, ` +
    `then start.`,
})

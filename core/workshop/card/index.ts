export { flightCard, type CardBalance, type CardSpeeds, type FlightCard } from './flight-card'

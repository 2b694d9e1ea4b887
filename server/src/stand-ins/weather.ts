import { SINGLE_OPERATIONS, type WeatherAnswer } from '@fine-spray/contract';
import { stationForecast, stationReading } from '@fine-spray/core/weather';
import { Router } from 'express';

/** The simulated weather station: a scripted day at an hour, and the hours to come. */
export function weatherRoutes(): Router {
  const router = Router();
  const { path, query } = SINGLE_OPERATIONS.getWeather;
  router.get(path, (request, response) => {
    const { day, hour, ahead, seed } = query.parse(request.query);
    const answer: WeatherAnswer = {
      reading: stationReading(day, hour, seed),
      forecast: [...stationForecast(day, hour, ahead)],
    };
    response.set('Cache-Control', 'no-store').json(answer);
  });
  return router;
}

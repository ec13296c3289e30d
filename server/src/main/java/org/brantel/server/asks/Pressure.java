package org.brantel.server.asks;

/**
 * Why a case presses, whatever the clock of its stage says.
 *
 * @param loses what is wanted gets less while it waits; else it is only due soon
 * @param words in a sentence, with the numbers behind it
 */
public record Pressure(boolean loses, String words) {}

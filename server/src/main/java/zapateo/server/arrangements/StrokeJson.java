package zapateo.server.arrangements;

import tools.jackson.core.JsonGenerator;
import tools.jackson.core.SerializableString;
import tools.jackson.core.io.SerializedString;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueSerializer;

/**
 * Writes a stroke field by field, as its view names them: an answer has hundreds of strokes with sixteen fields each,
 * most of them absent, and asking for each by reflection took a fifth of what an answer takes that is known already.
 */
final class StrokeJson extends ValueSerializer<StrokeView> {

    private static final SerializableString ID = new SerializedString("id");
    private static final SerializableString HAND = new SerializedString("hand");
    private static final SerializableString ORIGIN = new SerializedString("origin");
    private static final SerializableString CHORD_TICK = new SerializedString("chordTick");
    private static final SerializableString BAR = new SerializedString("bar");
    private static final SerializableString TICK = new SerializedString("tick");
    private static final SerializableString TICKS = new SerializedString("ticks");
    private static final SerializableString WRITTEN = new SerializedString("written");
    private static final SerializableString ACCENT = new SerializedString("accent");
    private static final SerializableString STRETCH = new SerializedString("stretchMm");
    private static final SerializableString EASE = new SerializedString("ease");
    private static final SerializableString ALTERED = new SerializedString("altered");
    private static final SerializableString ROLLED = new SerializedString("rolled");
    private static final SerializableString REASON = new SerializedString("reason");
    private static final SerializableString NOTES = new SerializedString("notes");
    private static final SerializableString NOTED = new SerializedString("noted");

    @Override
    public void serialize(StrokeView stroke, JsonGenerator json, SerializationContext context) {
        json.writeStartObject(stroke);
        text(json, ID, stroke.id());
        text(json, HAND, stroke.hand());
        text(json, ORIGIN, stroke.origin());
        if (stroke.chordTick() != null) {
            number(json, CHORD_TICK, stroke.chordTick());
        }
        number(json, BAR, stroke.bar());
        number(json, TICK, stroke.tick());
        number(json, TICKS, stroke.ticks());
        told(json, context, WRITTEN, stroke.written());
        if (stroke.accent() != null) {
            json.writeName(ACCENT);
            json.writeBoolean(stroke.accent());
        }
        if (stroke.stretchMm() != null) {
            json.writeName(STRETCH);
            json.writeNumber((double) stroke.stretchMm());
        }
        text(json, EASE, stroke.ease());
        text(json, ALTERED, stroke.altered());
        json.writeName(ROLLED);
        context.writeValue(json, stroke.rolled());
        number(json, REASON, stroke.reason());
        told(json, context, NOTES, stroke.notes());
        if (stroke.noted() != null) {
            json.writeName(NOTED);
            json.writeStartArray();
            for (int place : stroke.noted()) {
                json.writeNumber(place);
            }
            json.writeEndArray();
        }
        json.writeEndObject();
    }

    private static void text(JsonGenerator json, SerializableString name, String value) {
        if (value != null) {
            json.writeName(name);
            json.writeString(value);
        }
    }

    private static void told(JsonGenerator json, SerializationContext context, SerializableString name, Object value) {
        if (value != null) {
            json.writeName(name);
            context.writeValue(json, value);
        }
    }

    private static void number(JsonGenerator json, SerializableString name, int value) {
        json.writeName(name);
        json.writeNumber(value);
    }
}

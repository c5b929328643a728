package org.jalousie.server.web;

import io.swagger.v3.oas.annotations.media.Schema;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.util.Arrays;
import java.util.Collection;
import java.util.Map;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.springframework.core.MethodParameter;
import org.springframework.http.HttpInputMessage;
import org.springframework.http.converter.HttpMessageConverter;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.servlet.mvc.method.annotation.RequestBodyAdviceAdapter;

/**
 * Refuses a body that lacks something, naming it, before anything is done with it. Only what the description of the interface
 * says may be null may be left out.
 */
@RestControllerAdvice
class WholeBodies extends RequestBodyAdviceAdapter {
    @Override
    public boolean supports(MethodParameter parameter, Type type, Class<? extends HttpMessageConverter<?>> converter) {
        return true;
    }

    @Override
    public Object afterBodyRead(
            Object body,
            HttpInputMessage message,
            MethodParameter parameter,
            Type type,
            Class<? extends HttpMessageConverter<?>> converter) {
        look(body, "");
        return body;
    }

    private static void look(Object value, String place) {
        if (value instanceof Record record) {
            for (RecordComponent component : record.getClass().getRecordComponents()) {
                String name = place.isEmpty() ? component.getName() : place + "." + component.getName();
                Object part = part(record, component);
                if (part != null) look(part, name);
                else if (!mayBeNull(component)) missing(name);
            }
        } else if (value instanceof Collection<?> all) {
            int number = 0;
            for (Object one : all) {
                if (one == null) missing(place + "[" + number + "]");
                look(one, place + "[" + number++ + "]");
            }
        } else if (value instanceof Map<?, ?> map) {
            map.forEach((key, one) -> {
                if (one == null) missing(place + "." + key);
                look(one, place + "." + key);
            });
        } else if (value instanceof String text && text.indexOf('\0') >= 0) {
            throw Refusal.malformed(Message.of("request.character", "place", place));
        }
    }

    private static void missing(String what) {
        throw Refusal.malformed(Message.of("request.missing", "what", what));
    }

    private static boolean mayBeNull(RecordComponent component) {
        Schema schema = component.getAccessor().getAnnotation(Schema.class);
        return schema != null && Arrays.asList(schema.types()).contains("null");
    }

    private static Object part(Record record, RecordComponent component) {
        try {
            component.getAccessor().setAccessible(true);
            return component.getAccessor().invoke(record);
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException(e);
        }
    }
}

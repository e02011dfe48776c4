package org.pendrik.app.store;

import org.mybatis.spring.SqlSessionTemplate;
import org.mybatis.spring.mapper.MapperFactoryBean;
import org.springframework.beans.factory.annotation.Autowired;

/**
 * The bean of a mapper, which stands inside its interface. The session is not asked for by the
 * constructor: a start that only wants to know of which type the bean is opens no database for it.
 */
public abstract class MapperBean<T> extends MapperFactoryBean<T> {
    protected MapperBean(Class<T> mapper) {
        super(mapper);
    }

    @Autowired
    @Override
    public void setSqlSessionTemplate(SqlSessionTemplate session) {
        super.setSqlSessionTemplate(session);
    }
}
